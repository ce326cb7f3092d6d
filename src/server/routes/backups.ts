import { Router } from 'express';
import Joi from 'joi';
import { InputError } from '../../core/base/errors';
import { check, text } from '../../core/base/fields';
import type { ApiDocs } from '../openapi/api-docs';
import type { ShopBackups } from '../backup/shop-backups';

/**
 * Puts a backup, by its path, in the place of the running shop; says where the one before is kept.
 */
export type Restore = (path: string) => Promise<{ kept: string | null }>;

const passphraseBody = Joi.object({ passphrase: text(128, 'Passphrase').allow(null) }).required();
const folderBody = Joi.object({ folder: text(300, 'Folder').allow(null) }).required();

/** The documentation of the routes below. */
export const backupApi: ApiDocs = {
  'GET /backups': { says: 'Lists the backups' },
  'POST /backups': { says: 'Makes one', status: 201 },
  'PUT /backups/brought-in': { says: 'Uploads a backup', body: 'application/zip', status: 201 },
  'PUT /backups/passphrase': {
    says: 'Turns encryption of backups on or off',
    body: passphraseBody,
  },
  'PUT /backups/second-folder': {
    says: 'Sets the second folder for daily backups, or none',
    body: folderBody,
  },
  'POST /backups/test': { says: 'Tests the newest backup' },
  'GET /backups/:name': { says: 'The file', gives: 'application/zip' },
  'POST /backups/:name/look': { says: 'Checks a backup and lists its contents' },
  'POST /backups/:name/restore': { says: 'Restores a backup' },
};

/** Backups: which there are, made, taken away, brought in, looked into and restored. */
export const backupRoutes = (backups: ShopBackups, restore: Restore | null): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json(backups.now()));
  router.post('/', async (_req, res) => void res.status(201).json(await backups.make('by-hand')));
  router.put('/passphrase', async (req, res) => {
    await backups.setPassphrase(
      check<{ passphrase: string | null }>(passphraseBody, req.body).passphrase,
    );
    res.json(backups.now());
  });
  router.put('/second-folder', async (req, res) => {
    await backups.setSecondFolder(check<{ folder: string | null }>(folderBody, req.body).folder);
    res.json(backups.now());
  });
  router.post('/test', async (_req, res) => {
    await backups.testRestore();
    res.json(backups.now());
  });
  // No other type: a page of another site cannot send this.
  router.put('/brought-in', async (req, res) => {
    if (!req.is('application/zip'))
      throw new InputError('backup', 'No file was sent.', 'Choose a backup, a zip file');
    res.status(201).json(await backups.bringIn(req));
  });
  router.get('/:name', (req, res) => void res.download(backups.pathOf(req.params.name)));
  router.post(
    '/:name/look',
    async (req, res) => void res.json(await backups.look(req.params.name)),
  );
  router.post('/:name/restore', async (req, res) => {
    const path = backups.pathOf(req.params.name);
    if (!restore)
      throw new InputError(
        'backup',
        'This shop has no database file.',
        'Start the shop on a database file',
      );
    res.json(await restore(path));
  });
  return router;
};
