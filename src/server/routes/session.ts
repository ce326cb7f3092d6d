import { Router, json, type Request, type Response } from 'express';
import Joi from 'joi';
import type { Logger } from 'pino';
import { checkSecret, MOST_LETTERS, type Doors } from '../../core/doors';
import { InputError } from '../../core/errors';
import { check, text } from '../../core/fields';
import type { DoorStore, SignedIn } from '../db/door-store';
import type { ApprovalStore } from '../doors/approvals';
import { addressOf, guessLimit, MOST_WRONG_OF_PERSON, WAIT_WORDS } from '../doors/guess-limit';
import { inTurn } from '../doors/in-turn';
import { hashSecret, isSecret } from '../doors/secret-hash';
import { giveToken, tokenOf } from '../doors/session-cookie';
import { kindOfScreen } from '../doors/kind-of-screen';
import { signInCodes } from '../doors/sign-in-codes';
import { checkNotTriedFirst } from '../doors/tried-first';
import { MustWait, NotFound, NotSignedIn } from '../errors';
import type { ApiDocs } from '../openapi/api-docs';
import { recordId, who } from './input';

const secret = text(MOST_LETTERS, 'The PIN or passphrase');
const signInBody = Joi.alternatives(Joi.object({ who, secret }), Joi.object({ code: text(60, 'The code') })).required();
const approvalBody = Joi.object({ who, secret, about: recordId }).required();
const newSecretBody = Joi.object({ old: secret, secret }).required();

/** Sign-ins that wait for one another at a time. */
const MOST_AT_ONCE = 20;

type SignIn = { who: string; secret: string } | { code: string };

/** Where a session came from, as its list says it. */
const fromOf = (req: Request): string => `${kindOfScreen(req.headers['user-agent'])} at ${req.ip ?? 'no address'}`;

interface Options {
  logger: Logger;
  /** By the shop's rules. */
  sessionDays: () => number;
  lockMinutes: () => number;
  /** When a rider was forgotten last. */
  forgottenAt: () => string | null;
  /** Where other machines find this shop. */
  addresses: () => string[];
  shopName: () => string;
  approvals: ApprovalStore;
}

/** What is said of the routes below. */
export const sessionApi: ApiDocs = {
  'GET /session': { says: 'How the doors stand to whoever asks' },
  'POST /session': { says: 'Signs in', body: signInBody, status: 201 },
  'DELETE /session': { says: 'Signs out' },
  'POST /session/lock': { says: 'Locks the screen' },
  'PUT /session/secret': { says: 'Another PIN or passphrase of one’s own', body: newSecretBody },
  'POST /session/approvals': {
    says: 'Another person approves at this screen, with their own PIN',
    body: approvalBody,
    gives: null,
  },
  'POST /session/codes': { says: 'A code for one more browser', status: 201 },
  'GET /sessions': { says: 'Where one is signed in; an owner: where anybody is' },
  'DELETE /sessions/:id': { says: 'Ends a session', gives: null },
};

/** Signing in and out, the lock, the sessions, and a code that signs in a second browser. */
export const sessionRoutes = (
  doors: DoorStore,
  { logger, sessionDays, lockMinutes, forgottenAt, addresses, shopName, approvals }: Options,
): Router => {
  const router = Router();
  router.use('/session', json({ limit: '4kb' }));
  const codes = signInCodes();
  const ofAddress = guessLimit(addressOf);
  const ofPerson = guessLimit((req) => {
    const { who: name } = (req.body ?? {}) as { who?: unknown };
    return typeof name === 'string' ? name.slice(0, 60) : '';
  }, MOST_WRONG_OF_PERSON);
  const oneByOne = inTurn(MOST_AT_ONCE);
  const found = (req: Request): SignedIn | null => {
    const token = tokenOf(req);
    return token === null ? null : doors.byToken(token, Date.now());
  };
  const known = (req: Request): SignedIn => {
    const me = found(req);
    if (!me) throw new NotSignedIn('session', 'Nobody is signed in here.', 'to sign in first');
    return me;
  };
  const open = (req: Request): SignedIn => {
    const me = known(req);
    if (me.isLocked) throw new NotSignedIn('lock', `The screen of ${me.who} is locked.`, 'to unlock it first');
    return me;
  };
  const standing = (me: SignedIn | null): Doors => ({
    areClosed: doors.areClosed(),
    me: me && { who: me.who, role: me.role, isLocked: me.isLocked },
    people: doors
      .people()
      .filter((p) => p.canSignIn)
      .map((p) => p.name),
    lockAfterMinutes: lockMinutes(),
    forgottenAt: forgottenAt(),
  });
  /** Throws `MustWait` after too many wrong ones, `NotSignedIn` for a wrong one. */
  const checked = (req: Request, res: Response, name: string, brought: string): Promise<void> =>
    oneByOne(async () => {
      if ((await ofAddress.waits(req)) || (await ofPerson.waits(req)))
        throw new MustWait('secret', 'Too many wrong ones were tried.', WAIT_WORDS);
      if (await isSecret(brought, doors.secretOf(name))) return;
      logger.warn({ from: req.ip, who: name }, 'refused to sign in');
      await ofAddress.wrong(req, res);
      await ofPerson.wrong(req, res);
      throw new NotSignedIn('secret', 'This is not the PIN or passphrase.', `that of ${name}`);
    });
  const byCode = async (req: Request, res: Response, code: string): Promise<string> => {
    if (await ofAddress.waits(req)) throw new MustWait('code', 'Too many wrong ones were tried.', WAIT_WORDS);
    const taken = codes.take(code, Date.now());
    const isThere = taken && doors.sessions(Date.now()).some((s) => s.id === taken.sessionId && !s.isLocked);
    if (isThere) return taken.who;
    logger.warn({ from: req.ip }, 'refused to sign in by a code');
    await ofAddress.wrong(req, res);
    throw new NotSignedIn('code', 'The code was used already, or is too old.', 'a new one, from the first screen');
  };

  router.get('/session', (req, res) => void res.json(standing(found(req))));
  router.post('/session', async (req, res) => {
    if (!doors.areClosed()) throw new InputError('session', 'Nobody signs in at this shop.', 'an owner set up first');
    const brought = check<SignIn>(signInBody, req.body);
    if (!('code' in brought)) await checked(req, res, brought.who, brought.secret);
    const name = 'code' in brought ? await byCode(req, res, brought.code) : brought.who;
    // Nobody goes on in a session that was there before.
    const before = found(req);
    if (before) doors.end(before.id);
    const { token } = doors.begin(name, fromOf(req), sessionDays(), Date.now());
    giveToken(req, res, token, sessionDays());
    logger.info({ from: req.ip, who: name }, 'signed in');
    res.status(201).json(standing(doors.byToken(token, Date.now())));
  });
  router.delete('/session', (req, res) => {
    const me = found(req);
    if (me) doors.end(me.id);
    giveToken(req, res, null);
    res.json(standing(null));
  });
  router.post('/session/lock', (req, res) => {
    const me = known(req);
    doors.lock(me.id);
    res.json(standing({ ...me, isLocked: true }));
  });
  router.put('/session/secret', async (req, res) => {
    const me = open(req);
    const body = check<{ old: string; secret: string }>(newSecretBody, req.body);
    await checked(req, res, me.who, body.old);
    checkSecret(body.secret, me.role);
    checkNotTriedFirst(body.secret, [me.who, shopName()]);
    doors.setPerson(me.who, me.role, await hashSecret(body.secret), me.id);
    res.json(standing(me));
  });
  router.post('/session/approvals', async (req, res) => {
    const me = open(req);
    const body = check<{ who: string; secret: string; about: string }>(approvalBody, req.body);
    await checked(req, res, body.who, body.secret);
    approvals.give({ by: body.who, sessionId: me.id, about: body.about }, Date.now());
    res.status(204).end();
  });
  router.post('/session/codes', (req, res) => {
    const me = open(req);
    res.status(201).json({ ...codes.make(me.who, me.id, Date.now()), addresses: addresses() });
  });
  const mine = (me: SignedIn) => doors.sessions(Date.now()).filter((s) => me.role === 'owner' || s.who === me.who);
  router.get('/sessions', (req, res) => {
    const me = open(req);
    res.json({ sessions: mine(me).map((s) => ({ ...s, isThis: s.id === me.id })) });
  });
  router.delete('/sessions/:id', (req, res) => {
    const me = open(req);
    const id = check<string>(recordId, req.params.id);
    if (!mine(me).some((s) => s.id === id)) throw new NotFound('There is no such session.');
    doors.end(id);
    res.status(204).end();
  });
  return router;
};
