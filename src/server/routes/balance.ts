import { Router } from 'express';
import Joi from 'joi';
import { WEIGHTS_ON } from '../../core/balance';
import { check, count, listOf, oneOf } from '../../core/fields';
import { balanceQuestion } from '../../core/job';
import { FRICTIONS, practiceRound, SHELVES, type PracticeTried } from '../../core/practice';
import type { JobStore } from '../db/job-store';
import type { PracticeStore } from '../db/practice-store';
import type { WorkPool } from '../work';
import type { ApiDocs } from '../openapi/api-docs';
import { goneOf, recordId, who } from './input';

/** Jobs that are looked through, and wheels that are taken, to learn what the stand hides. */
const MOST_JOBS = 40;
const MOST_WHEELS = 12;
/** Fewer readings of a wheel say nothing of the stand. */
const LEAST_SEEN = 3;

const ROUNDS = 200;

const triedBody = Joi.object({
  id: recordId,
  who,
  seed: count(0, 1_000_000_000, 'Number of the hidden wheel'),
  friction: oneOf(Object.keys(FRICTIONS), 'The stand'),
  shelf: oneOf(Object.keys(SHELVES), 'The shelf'),
  tries: listOf(WEIGHTS_ON, 40, 'The weights of each try'),
  tookS: count(0, 86_400, 'Seconds it took'),
}).required();

/** What is said of the routes below. */
export const balanceApi: ApiDocs = {
  'GET /stand-wheels': { says: 'What the shop’s last wheels say of its balance stand' },
  'GET /practice': { says: 'Rounds of practice, the newest first' },
  'POST /practice': { says: 'A round of practice: its score is worked out here', body: triedBody, status: 201 },
};

/** What the shop's stand hides, learned from its jobs; rounds of practice and their scores. */
export const balanceRoutes = (jobs: JobStore, practice: PracticeStore, work: WorkPool): Router => {
  const router = Router();
  /**
   * What was seen of the last wheels; what they say of the stand is worked out by whoever asks, `stand-band` takes it
   * as it is.
   */
  router.get('/stand-wheels', (_req, res) => {
    const wheels = jobs
      .list({ search: '', limit: MOST_JOBS, offset: 0 })
      .jobs.map((job) => balanceQuestion(jobs.stateOf(job.id), [])?.seen ?? [])
      .filter((seen) => seen.length >= LEAST_SEEN)
      .slice(0, MOST_WHEELS)
      .map((seen) => ({ seen }));
    res.json({ wheels });
  });
  router.get('/practice', (_req, res) => void res.json({ rounds: practice.latest(ROUNDS) }));
  router.post('/practice', async (req, res) => {
    const tried = check<PracticeTried>(triedBody, req.body);
    const { seed, friction, shelf, tries } = tried;
    // The score is worked out here, from the wheel's number: nobody sends one in.
    const input = { seed, friction, shelf, tries };
    const working = (await work.run('working', { name: practiceRound.name, input }, goneOf(res))) as ReturnType<
      typeof practiceRound.run
    >;
    res.status(201).json({ score: practice.add(tried, working.result, new Date().toISOString()), working });
  });
  return router;
};
