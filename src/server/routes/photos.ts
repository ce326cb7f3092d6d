import express, { Router } from 'express';
import { check } from '../../core/base/fields';
import { PHOTO_ID } from '../../core/job';
import { NotFound } from '../errors';
import { isWholePhoto } from '../photo-check';
import type { ApiDocs } from '../openapi/api-docs';
import { MAX_PHOTO_BYTES, type PhotoStore } from '../photo-store';

/** The documentation of the routes below. */
export const photoApi: ApiDocs = {
  'POST /photos': {
    says: 'Saves a photo, decoded and encoded again',
    body: 'image/*',
    status: 201,
  },
  'GET /photos/:id': { says: 'A photograph', gives: 'image/*' },
};

/** Photographs: kept once, read by their id. What they show stands in a job's log. */
export const photoRoutes = (photos: PhotoStore): Router => {
  const router = Router();
  router.post(
    '/',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: MAX_PHOTO_BYTES }),
    async (req, res) => {
      res.status(201).json(await photos.keep(req.body));
    },
  );
  router.get('/:id', async (req, res) => {
    const found = photos.find(check<string>(PHOTO_ID, req.params.id));
    if (!found) throw new NotFound('Photo not found.');
    if (!(await isWholePhoto(found.path)))
      throw new NotFound('This photo is damaged on the shop computer’s disk.');
    // Asked for again each time: a locked screen is refused, and a browser that has it is answered
    // in a line.
    res.type(found.type).sendFile(found.path, { cacheControl: false });
  });
  return router;
};
