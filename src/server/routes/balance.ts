import { Router } from 'express';
import { balanceQuestion } from '../../core/job';
import type { JobStore } from '../db/job-store';
import type { ApiDocs } from '../openapi/api-docs';

/** Jobs that are looked through, and wheels that are taken, to learn what the stand hides. */
const MAX_JOBS = 40;
const MAX_WHEELS = 12;
/** Fewer readings of a wheel say nothing of the stand. */
const MIN_SEEN = 3;

/** The documentation of the routes below. */
export const balanceApi: ApiDocs = {
  'GET /stand-wheels': { says: 'The balance stand’s dead band, from the shop’s last wheels' },
};

/** The dead band of the shop's stand, learned from its jobs. */
export const balanceRoutes = (jobs: JobStore): Router => {
  const router = Router();
  /**
   * The readings of the last wheels; the client computes the dead band, `stand-band` takes them as
   * they are.
   */
  router.get('/stand-wheels', (_req, res) => {
    const wheels = jobs
      .list({ search: '', limit: MAX_JOBS, offset: 0 })
      .jobs.map((job) => balanceQuestion(jobs.stateOf(job.id), [])?.seen ?? [])
      .filter((seen) => seen.length >= MIN_SEEN)
      .slice(0, MAX_WHEELS)
      .map((seen) => ({ seen }));
    res.json({ wheels });
  });
  return router;
};
