import { Router } from 'express';
import parseJoi from 'joi-to-json';
import { WORKINGS, findWorking } from '../../core/workings';
import { NotFound } from '../errors';

const CATALOG = WORKINGS.map((w) => ({
  name: w.name,
  says: w.says,
  input: parseJoi(w.schema, 'json-draft-2019-09') as object,
  example: w.example,
}));

/** `GET /api/workings`, the catalog; `POST /api/workings/:name`, one computation. */
export const workingRoutes = (): Router => {
  const router = Router();
  router.get('/', (_req, res) => void res.json({ workings: CATALOG }));
  router.post('/:name', (req, res) => {
    const working = findWorking(req.params.name);
    if (!working) throw new NotFound(`There is no working called ${req.params.name.slice(0, 40)}.`);
    res.json(working.run(req.body as never));
  });
  return router;
};
