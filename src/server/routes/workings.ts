import { Router } from 'express';
import parseJoi from 'joi-to-json';
import { WORKINGS, findWorking } from '../../core/workings';
import { NotFound } from '../errors';
import type { WorkPool } from '../work';
import { goneOf } from './input';

const CATALOG = WORKINGS.map((w) => ({
  name: w.name,
  says: w.says,
  input: parseJoi(w.schema, 'json-draft-2019-09') as object,
  example: w.example,
}));

/** `GET /api/workings`, the catalog; `POST /api/workings/:name`, one computation. */
export const workingRoutes = (work: WorkPool): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json({ workings: CATALOG }));
  router.post('/:name', async (req, res) => {
    const { name } = req.params;
    if (!findWorking(name)) throw new NotFound(`There is no working called ${name.slice(0, 40)}.`);
    res.json(await work.run('working', { name, input: req.body as unknown }, goneOf(res)));
  });
  return router;
};
