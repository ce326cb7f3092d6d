import { Router } from 'express';
import Joi from 'joi';
import { check, count, oneOf } from '../../core/fields';
import { MOST_ACTS, MOST_SEED, PRACTICE, PRACTICE_KINDS, type Played, type PracticeTried } from '../../core/practice';
import type { Working } from '../../core/working';
import type { PracticeStore } from '../db/practice-store';
import type { ApiDocs } from '../openapi/api-docs';
import type { WorkPool } from '../work';
import { checkQuery, goneOf, recordId, who } from './input';

const ROUNDS = 500;

const tried = Joi.object({
  id: recordId,
  who,
  kind: oneOf(PRACTICE_KINDS, 'The kind of practice'),
  level: Joi.string().max(60).required().meta({ expected: 'How hard: a level of the kind' }),
  seed: count(0, MOST_SEED, 'Number of the hidden wheel'),
  acts: Joi.array()
    .max(MOST_ACTS)
    .required()
    .meta({ expected: `What was done: a list of at most ${MOST_ACTS}, as the working of the kind takes it` }),
  tookS: count(0, 86_400, 'Seconds it took'),
}).required();

const whoseQuery = Joi.object<{ who: string }>({ who });

/** What is said of the routes below. */
export const practiceApi: ApiDocs = {
  'GET /practice': { says: 'Somebody’s rounds of practice, the newest first', query: whoseQuery },
  'POST /practice': { says: 'A round of practice: its score is worked out here', body: tried, status: 201 },
};

/** Rounds of practice on hidden wheels, and their scores. */
export const practiceRoutes = (practice: PracticeStore, work: WorkPool): Router => {
  const router = Router();
  router.get('/practice', (req, res) => {
    const { who: whose } = checkQuery<{ who: string }>(whoseQuery, req.query);
    res.json({ rounds: practice.latest(whose, ROUNDS) });
  });
  router.post('/practice', async (req, res) => {
    const round = check<PracticeTried>(tried, req.body);
    const { kind, level, seed, acts } = round;
    // The score is worked out here, from the wheel's number: nobody sends one in.
    const task = { name: PRACTICE[kind].scores.name, input: { seed, level, acts } };
    const working = (await work.run('working', task, goneOf(res))) as Working<Played>;
    res.status(201).json({ score: practice.add(round, working.result, new Date().toISOString()), working });
  });
  return router;
};
