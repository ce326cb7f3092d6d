import { Router } from 'express';
import Joi from 'joi';
import { check, count } from '../../core/base/fields';
import type { SignInTries } from '../db/sign-in-tries';
import type { SignInCheck } from '../auth/sign-in-check';
import type { WhoAsks } from '../auth/who-asks';
import { NotFound } from '../errors';
import type { ApiDocs } from '../openapi/api-docs';

const blockBody = Joi.object({
  isBlocked: Joi.boolean()
    .strict()
    .required()
    .meta({ expected: 'Choose true to block it, or false' }),
}).required();
const tryId = count(1, Number.MAX_SAFE_INTEGER, 'Number of the source');

const WHAT = 'see wrong tries';

/** The documentation of the routes below. */
export const guessingApi: ApiDocs = {
  'GET /sessions/guessing': { says: 'Wrong tries to sign in, and what is blocked; for owners' },
  'PUT /sessions/guessing/:id': { says: 'Blocks a source, or unblocks it', body: blockBody },
  'DELETE /sessions/guessing/:id': { says: 'Clears the wrong tries, so the wait ends' },
};

/** Wrong tries to sign in, for owners: where they come from, and how to end them. */
export const guessingRoutes = (tries: SignInTries, asks: WhoAsks, signIn: SignInCheck): Router => {
  const router = Router();
  const now = () => ({ guessing: tries.guessing(Date.now()) });
  router.get('/sessions/guessing', (req, res) => {
    asks.owner(req, WHAT);
    res.json(now());
  });
  router.put('/sessions/guessing/:id', (req, res) => {
    const { who } = asks.owner(req, WHAT);
    const { isBlocked } = check<{ isBlocked: boolean }>(blockBody, req.body);
    const id = check<number>(tryId, Number(req.params.id));
    if (!tries.block(id, isBlocked)) throw new NotFound('Guessing not found.');
    signIn.note(who, `${isBlocked ? 'blocked' : 'unblocked'} a source of wrong tries`, req);
    res.json(now());
  });
  router.delete('/sessions/guessing/:id', (req, res) => {
    asks.owner(req, WHAT);
    const id = check<number>(tryId, Number(req.params.id));
    if (!tries.clear(id)) throw new NotFound('Guessing not found.');
    res.json(now());
  });
  return router;
};
