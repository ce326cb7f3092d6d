import Joi from 'joi';
import { Router } from 'express';
import { findWorking } from '../../core/workings';
import { NotFound } from '../errors';
import type { CatalogRow } from '../work/task-types';
import type { WorkPool } from '../work/work-pool';
import type { ApiDocs } from '../openapi/api-docs';
import { goneOf } from './input';

/** The documentation of the routes below. */
export const workingApi: ApiDocs = {
  'GET /workings': { says: 'All calculators, each with the schema of its input' },
  'POST /workings/:name': { says: 'One calculation, with its math', body: Joi.object().unknown() },
};

/** `GET /api/workings`, the catalog; `POST /api/workings/:name`, one computation. */
export const workingRoutes = (work: WorkPool): Router => {
  const router = Router();
  // Made once, when someone first asks for it.
  let catalog: Promise<CatalogRow[]> | null = null;
  router.get('/', async (_req, res) => {
    catalog ??= work.run('catalog', {});
    try {
      res.json({ workings: await catalog });
    } catch (error) {
      catalog = null;
      throw error;
    }
  });
  router.post('/:name', async (req, res) => {
    const { name } = req.params;
    if (!findWorking(name)) throw new NotFound(`There is no calculator ${name.slice(0, 40)}.`);
    res.json(await work.run('working', { name, input: req.body as unknown }, goneOf(res)));
  });
  return router;
};
