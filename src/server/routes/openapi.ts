import { Router } from 'express';
import type { WorkPool } from '../work/work-pool';

/** The HTTP API as an OpenAPI document: made once, when someone first asks for it. */
export const openApiRoutes = (work: WorkPool): Router => {
  const router = Router();
  let made: Promise<object> | null = null;
  router.get('/openapi.json', async (_req, res) => {
    made ??= work.run('openapi', {});
    try {
      res.json(await made);
    } catch (error) {
      made = null;
      throw error;
    }
  });
  return router;
};
