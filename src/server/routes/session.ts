import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import { Router, json, type Request, type RequestHandler, type Response } from 'express';
import Joi from 'joi';
import type { Logger } from 'pino';
import { checkSecret, MAX_LETTERS, type AuthStatus } from '../../core/shop/auth';
import { InputError } from '../../core/base/errors';
import { check, count, text } from '../../core/base/fields';
import type { ChangeStore } from '../db/change-store';
import type { SignedIn } from '../auth/me';
import type { AuthStore } from '../db/auth-store';
import type { PasskeyStore } from '../db/passkey-store';
import type { SignInTries } from '../db/sign-in-tries';
import type { ApprovalStore } from '../auth/approvals';
import { giveDeviceToken } from '../auth/device-cookie';
import { passkeyCeremonies } from '../auth/passkeys';
import { hashSecret } from '../auth/secret-hash';
import { giveToken } from '../auth/session-cookie';
import { fromOf, signInCheck, sourceOf } from '../auth/sign-in-check';
import { signInCodes } from '../auth/sign-in-codes';
import { checkNotTriedFirst } from '../auth/common-secrets';
import { whoAsks } from '../auth/who-asks';
import { NotFound, NotSignedIn } from '../errors';
import type { ApiDocs } from '../openapi/api-docs';
import { guessingRoutes } from './guessing';
import { recordId, who } from './input';
import { passkeyResponse, passkeyRoutes } from './passkeys';

const secret = text(MAX_LETTERS, 'PIN or passphrase');
const signInBody = Joi.alternatives(
  Joi.object({ who, secret }),
  Joi.object({ code: text(60, 'Code') }),
  Joi.object({ passkey: passkeyResponse }),
).required();
const confirmBody = Joi.alternatives(
  Joi.object({ secret }),
  Joi.object({ passkey: passkeyResponse }),
).required();
const touchBody = Joi.object({
  agoS: count(0, 86_400, 'Seconds since the screen was touched'),
}).required();
const approvalBody = Joi.object({ who, secret, about: recordId }).required();
const newSecretBody = Joi.object({ old: secret, secret }).required();
type SignIn =
  { who: string; secret: string } | { code: string } | { passkey: AuthenticationResponseJSON };
type Confirm = { secret: string } | { passkey: AuthenticationResponseJSON };

interface Options {
  logger: Logger;
  /** By the shop's rules. */
  sessionDays: () => number;
  lockMinutes: () => number;
  /** When a rider was forgotten last. */
  forgottenAt: () => string | null;
  /** The addresses at which other machines find this shop. */
  addresses: () => string[];
  shopName: () => string;
  approvals: ApprovalStore;
  /** Counts what writes, once its body is whole. */
  beforeWrite: RequestHandler;
  changes: ChangeStore;
  passkeys: PasskeyStore;
}

/** The documentation of the routes below. */
export const sessionApi: ApiDocs = {
  'GET /session': { says: 'How sign-in stands for the person who asks' },
  'POST /session': { says: 'Signs in', body: signInBody, status: 201 },
  'DELETE /session': { says: 'Signs out' },
  'POST /session/lock': { says: 'Locks the screen' },
  'POST /session/touch': {
    says: 'Reports that the screen was touched',
    body: touchBody,
    gives: null,
  },
  'POST /session/confirm': { says: 'Confirms who is signed in', body: confirmBody, gives: null },
  'PUT /session/secret': { says: 'Changes your PIN or passphrase', body: newSecretBody },
  'POST /session/approvals': {
    says: 'Another person approves at this screen, with their own PIN',
    body: approvalBody,
    gives: null,
  },
  'POST /session/codes': { says: 'A code for one more browser', status: 201 },
  'GET /sessions': { says: 'Your sessions; for an owner, all sessions' },
  'DELETE /sessions/:id': { says: 'Ends a session', gives: null },
};

/** Signing in and out, the lock, the sessions, and a code that signs in a second browser. */
export const sessionRoutes = (
  auth: AuthStore,
  tries: SignInTries,
  {
    logger,
    sessionDays,
    lockMinutes,
    forgottenAt,
    addresses,
    shopName,
    approvals,
    beforeWrite,
    changes,
    passkeys,
  }: Options,
): Router => {
  const router = Router();
  router.use(['/session', '/sessions'], json({ limit: '16kb' }), beforeWrite);
  const codes = signInCodes();
  const asks = whoAsks(auth);
  const ceremonies = passkeyCeremonies(passkeys, shopName);
  const signIn = signInCheck({ auth, tries, codes, changes, logger });
  const standing = (me: SignedIn | null): AuthStatus => ({
    areClosed: auth.areClosed(),
    me: me && { who: me.who, role: me.role, isLocked: me.isLocked },
    people: auth
      .people()
      .filter((p) => p.canSignIn)
      .map((p) => p.name),
    lockAfterMinutes: lockMinutes(),
    forgottenAt: forgottenAt(),
  });
  /** The person who signs in, by whatever they bring, and whether that proves who they are. */
  const nameOf = async (
    req: Request,
    res: Response,
    brought: SignIn,
  ): Promise<{ name: string; isProof: boolean }> => {
    if ('code' in brought)
      return { name: await signIn.code(req, res, brought.code), isProof: false };
    if ('passkey' in brought)
      return { name: await ceremonies.check(req, brought.passkey), isProof: true };
    await signIn.secret(req, res, brought.who, brought.secret);
    return { name: brought.who, isProof: true };
  };

  router.use(passkeyRoutes(passkeys, ceremonies, asks, signIn));
  router.use(guessingRoutes(tries, asks, signIn));
  router.get('/session', (req, res) => void res.json(standing(asks.found(req))));
  router.post('/session', async (req, res) => {
    if (!auth.areClosed())
      throw new InputError('session', 'Sign-in is off at this shop.', 'Set up an owner first');
    const { name, isProof } = await nameOf(req, res, check<SignIn>(signInBody, req.body));
    // No one goes on in a session that was there before.
    const before = asks.found(req);
    if (before) auth.end(before.id);
    const { token } = auth.begin(name, fromOf(req), sessionDays(), Date.now(), isProof);
    giveToken(req, res, token, sessionDays());
    tries.right(name, sourceOf(req), giveDeviceToken(req, res), Date.now());
    signIn.note(name, 'signed in', req);
    logger.info({ from: req.ip, who: name }, 'signed in');
    res.status(201).json(standing(auth.byToken(token, Date.now())));
  });
  router.post('/session/touch', (req, res) => {
    const me = asks.open(req);
    const { agoS } = check<{ agoS: number }>(touchBody, req.body);
    auth.touch(me.id, Date.now() - agoS * 1000, Date.now());
    res.status(204).end();
  });
  router.post('/session/confirm', async (req, res) => {
    const me = asks.open(req);
    const brought = check<Confirm>(confirmBody, req.body);
    if ('secret' in brought) await signIn.secret(req, res, me.who, brought.secret);
    else if ((await ceremonies.check(req, brought.passkey)) !== me.who)
      throw new NotSignedIn(
        'passkey',
        'This is another person’s passkey.',
        `Use a passkey of ${me.who}`,
      );
    auth.confirm(me.id, Date.now());
    res.status(204).end();
  });
  router.delete('/session', (req, res) => {
    const me = asks.found(req);
    if (me) auth.end(me.id);
    giveToken(req, res, null);
    res.json(standing(null));
  });
  router.post('/session/lock', (req, res) => {
    const me = asks.known(req);
    auth.lock(me.id);
    res.json(standing({ ...me, isLocked: true }));
  });
  router.put('/session/secret', async (req, res) => {
    const me = asks.open(req);
    const body = check<{ old: string; secret: string }>(newSecretBody, req.body);
    await signIn.secret(req, res, me.who, body.old);
    checkSecret(body.secret, me.role);
    await checkNotTriedFirst(body.secret, [me.who, shopName()]);
    auth.setPerson(me.who, me.role, await hashSecret(body.secret), me.id);
    tries.right(me.who, sourceOf(req), giveDeviceToken(req, res), Date.now());
    signIn.note(me.who, 'new PIN or passphrase', req);
    res.json(standing(me));
  });
  router.post('/session/approvals', async (req, res) => {
    const me = asks.open(req);
    const body = check<{ who: string; secret: string; about: string }>(approvalBody, req.body);
    await signIn.secret(req, res, body.who, body.secret);
    approvals.give({ by: body.who, sessionId: me.id, about: body.about }, Date.now());
    res.status(204).end();
  });
  router.post('/session/codes', (req, res) => {
    const me = asks.open(req);
    res.status(201).json({ ...codes.make(me.who, me.id, Date.now()), addresses: addresses() });
  });
  const mine = (me: SignedIn) =>
    auth.sessions(Date.now()).filter((s) => me.role === 'owner' || s.who === me.who);
  router.get('/sessions', (req, res) => {
    const me = asks.open(req);
    res.json({ sessions: mine(me).map((s) => ({ ...s, isThis: s.id === me.id })) });
  });
  router.delete('/sessions/:id', (req, res) => {
    const me = asks.open(req);
    const id = check<string>(recordId, req.params.id);
    if (!mine(me).some((s) => s.id === id)) throw new NotFound('Session not found.');
    auth.end(id);
    res.status(204).end();
  });
  return router;
};
