import { Router } from 'express';
import Joi from 'joi';
import { check, count, oneOf } from '../../core/base/fields';
import {
  MAX_ACTS,
  MAX_SEED,
  PRACTICE,
  PRACTICE_KINDS,
  shownPractice,
  type Played,
  type PracticeTried,
} from '../../core/practice';
import type { Working } from '../../core/base/working';
import type { PracticeStore } from '../db/practice-store';
import type { ApiDocs } from '../openapi/api-docs';
import { checkShown } from '../auth/permission-checks';
import { meOf } from '../auth/me';
import { NotFound } from '../errors';
import type { WorkPool } from '../work/work-pool';
import { checkQuery, goneOf, recordId, who } from './input';

const ROUNDS = 500;

const tried = Joi.object({
  id: recordId,
  who,
  kind: oneOf(PRACTICE_KINDS, 'Kind of practice'),
  level: Joi.string().max(60).required().meta({ expected: 'Choose a level of the kind' }),
  seed: count(0, MAX_SEED, 'Number of the hidden wheel'),
  acts: Joi.array()
    .max(MAX_ACTS)
    .required()
    .meta({
      expected: `Enter a list of at most ${MAX_ACTS} actions, as that kind’s calculator takes them`,
    }),
  tookS: count(0, 86_400, 'Seconds it took'),
}).required();

const whoseQuery = Joi.object<{ who: string }>({ who });
const shownBody = Joi.object({
  who,
  isShown: Joi.boolean()
    .strict()
    .required()
    .meta({ expected: 'Choose true to share it, or false' }),
}).required();

/** The documentation of the routes below. */
export const practiceApi: ApiDocs = {
  'GET /practice': { says: 'A person’s practice rounds, newest first', query: whoseQuery },
  'GET /practice/shown': { says: 'Practice results of those who share them' },
  'PUT /practice/shown': { says: 'Whether a person shares practice results', body: shownBody },
  'POST /practice': { says: 'Saves a practice round and scores it', body: tried, status: 201 },
};

/** Rounds of practice on hidden wheels, and their scores. */
export const practiceRoutes = (practice: PracticeStore, work: WorkPool): Router => {
  const router = Router();
  router.get('/practice', (req, res) => {
    const { who: whose } = checkQuery<{ who: string }>(whoseQuery, req.query);
    const isShown = practice.shows(whose);
    checkShown(meOf(req), whose, isShown);
    res.json({ rounds: practice.latest(whose, ROUNDS), isShown });
  });
  router.get('/practice/shown', (_req, res) => {
    res.json({
      people: practice.shown().map((name) => shownPractice(name, practice.latest(name, ROUNDS))),
    });
  });
  router.put('/practice/shown', (req, res) => {
    const { who: whose, isShown } = check<{ who: string; isShown: boolean }>(shownBody, req.body);
    if (!practice.show(whose, isShown)) throw new NotFound('No one here has this name.');
    res.json({ isShown });
  });
  router.post('/practice', async (req, res) => {
    const round = check<PracticeTried>(tried, req.body);
    const { kind, level, seed, acts } = round;
    // The score is worked out here, from the wheel's number: no one sends one in.
    const task = { name: PRACTICE[kind].scores.name, input: { seed, level, acts } };
    const working = (await work.run('working', task, goneOf(res))) as Working<Played>;
    res
      .status(201)
      .json({ score: practice.add(round, working.result, new Date().toISOString()), working });
  });
  return router;
};
