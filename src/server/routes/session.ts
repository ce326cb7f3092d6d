import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server';
import { Router, json, type Request, type RequestHandler, type Response } from 'express';
import Joi from 'joi';
import type { Logger } from 'pino';
import { checkSecret, MAX_LETTERS, type Doors } from '../../core/doors';
import { InputError } from '../../core/errors';
import { check, count, text } from '../../core/fields';
import { counted } from '../../core/units';
import type { ChangeStore } from '../db/change-store';
import type { DoorStore, SignedIn } from '../db/door-store';
import type { PasskeyStore } from '../db/passkey-store';
import type { SignInTries, TrySource } from '../db/sign-in-tries';
import type { ApprovalStore } from '../doors/approvals';
import { deviceTokenOf, giveDeviceToken } from '../doors/device-cookie';
import { addressOf, guessLimit, WAIT_WORDS } from '../doors/guess-limit';
import { inTurn } from '../doors/in-turn';
import { passkeyCeremonies } from '../doors/passkeys';
import { checkRight } from '../doors/permission-checks';
import { hashSecret, isSecret } from '../doors/secret-hash';
import { giveToken, tokenOf } from '../doors/session-cookie';
import { isConfirmed } from '../doors/signed-in';
import { kindOfScreen } from '../doors/kind-of-screen';
import { signInCodes } from '../doors/sign-in-codes';
import { checkNotTriedFirst } from '../doors/tried-first';
import { MustWait, NotAllowed, NotFound, NotSignedIn } from '../errors';
import type { ApiDocs } from '../openapi/api-docs';
import { recordId, who } from './input';

const secret = text(MAX_LETTERS, 'The PIN or passphrase');
/** What a browser's authenticator answered; the package that verifies it knows its parts. */
const response = Joi.object({ id: text(1400, 'The passkey') })
  .unknown()
  .required()
  .meta({ expected: 'what the browser answered' });
const signInBody = Joi.alternatives(
  Joi.object({ who, secret }),
  Joi.object({ code: text(60, 'The code') }),
  Joi.object({ passkey: response }),
).required();
const confirmBody = Joi.alternatives(
  Joi.object({ secret }),
  Joi.object({ passkey: response }),
).required();
const passkeyBody = Joi.object({
  label: text(60, 'The name of the passkey'),
  passkey: response,
}).required();
const touchBody = Joi.object({
  agoS: count(0, 86_400, 'Seconds since a hand was on the screen'),
}).required();
const approvalBody = Joi.object({ who, secret, about: recordId }).required();
const newSecretBody = Joi.object({ old: secret, secret }).required();
const blockBody = Joi.object({
  isBlocked: Joi.boolean().strict().required().meta({ expected: 'true to block it, or false' }),
}).required();
const tryId = count(1, Number.MAX_SAFE_INTEGER, 'The number of the guessing');

/** Sign-ins that wait for one another at a time. */
const MAX_AT_ONCE = 20;

type SignIn =
  { who: string; secret: string } | { code: string } | { passkey: AuthenticationResponseJSON };
type Confirm = { secret: string } | { passkey: AuthenticationResponseJSON };

/** Where a session came from, as its list says it. */
const fromOf = (req: Request): string =>
  `${kindOfScreen(req.headers['user-agent'])} at ${req.ip ?? 'no address'}`;

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
  /** Counts what writes, once its body is whole. */
  beforeWrite: RequestHandler;
  changes: ChangeStore;
  passkeys: PasskeyStore;
}

/** What is said of the routes below. */
export const sessionApi: ApiDocs = {
  'GET /session': { says: 'How the doors stand to whoever asks' },
  'POST /session': { says: 'Signs in', body: signInBody, status: 201 },
  'DELETE /session': { says: 'Signs out' },
  'POST /session/lock': { says: 'Locks the screen' },
  'POST /session/touch': { says: 'A hand was on the screen', body: touchBody, gives: null },
  'POST /session/confirm': {
    says: 'Proves again who is signed in',
    body: confirmBody,
    gives: null,
  },
  'POST /session/passkey-challenge': { says: 'A challenge for a passkey (WebAuthn)', status: 201 },
  'GET /session/passkeys': { says: 'One’s own passkeys' },
  'POST /session/passkeys/challenge': {
    says: 'A challenge for a new passkey (WebAuthn)',
    status: 201,
  },
  'POST /session/passkeys': { says: 'Adds a passkey of an owner', body: passkeyBody, status: 201 },
  'DELETE /session/passkeys/:id': { says: 'Removes a passkey of one’s own' },
  'GET /sessions/guessing': { says: 'Wrong tries to sign in, and what is blocked; for owners' },
  'PUT /sessions/guessing/:id': {
    says: 'Blocks where they come from, or no longer',
    body: blockBody,
  },
  'DELETE /sessions/guessing/:id': { says: 'Forgets them: the wait ends' },
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
  const ofAddress = guessLimit(addressOf);
  const ceremonies = passkeyCeremonies(passkeys, shopName);
  const oneByOne = inTurn(MAX_AT_ONCE);
  const sourceOf = (req: Request): TrySource => ({
    deviceToken: deviceTokenOf(req),
    address: addressOf(req),
    from: fromOf(req),
  });
  const noted = (name: string, what: string, req: Request, byWhom: string | null = name): void =>
    changes.note('sign-ins', name, name, { [what]: [null, fromOf(req)] }, byWhom);
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
    if (me.isLocked)
      throw new NotSignedIn('lock', `The screen of ${me.who} is locked.`, 'to unlock it first');
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
      const source = sourceOf(req);
      if (tries.isBlocked(name, source))
        throw new NotAllowed(
          'secret',
          'An owner has blocked sign-in from here.',
          'an owner to unblock it',
        );
      const waitMs = tries.waitsUntilMs(name, source, Date.now()) - Date.now();
      if (waitMs > 0)
        throw new MustWait(
          'secret',
          'Too many wrong tries.',
          `another try in ${counted(Math.ceil(waitMs / 60_000), 'minute')}, or on a device where ${name} has signed in before`,
        );
      const isKnown = tries.knownBy(name, source);
      if (!isKnown && (await ofAddress.waits(req)))
        throw new MustWait('secret', 'Too many wrong tries.', WAIT_WORDS);
      const kept = doors.secretOf(name);
      if (await isSecret(brought, kept)) return;
      logger.warn({ from: req.ip, who: name }, 'refused to sign in');
      if (kept !== null) {
        tries.wrong(name, source, Date.now());
        noted(name, 'wrong try', req, null);
      }
      if (!isKnown) await ofAddress.wrong(req, res);
      throw new NotSignedIn('secret', 'Wrong PIN or passphrase.', `that of ${name}`);
    });
  const byCode = async (req: Request, res: Response, code: string): Promise<string> => {
    if (await ofAddress.waits(req)) throw new MustWait('code', 'Too many wrong tries.', WAIT_WORDS);
    const taken = codes.take(code, Date.now());
    const isThere =
      taken && doors.sessions(Date.now()).some((s) => s.id === taken.sessionId && !s.isLocked);
    if (isThere) return taken.who;
    logger.warn({ from: req.ip }, 'refused to sign in by a code');
    await ofAddress.wrong(req, res);
    throw new NotSignedIn(
      'code',
      'The code was used already, or is too old.',
      'a new one, from the first screen',
    );
  };

  /** Who comes in, by whatever they bring, and whether that proves who they are. */
  const nameOf = async (
    req: Request,
    res: Response,
    brought: SignIn,
  ): Promise<{ name: string; isProof: boolean }> => {
    if ('code' in brought) return { name: await byCode(req, res, brought.code), isProof: false };
    if ('passkey' in brought)
      return { name: await ceremonies.check(req, brought.passkey), isProof: true };
    await checked(req, res, brought.who, brought.secret);
    return { name: brought.who, isProof: true };
  };

  router.get('/session', (req, res) => void res.json(standing(found(req))));
  router.post('/session', async (req, res) => {
    if (!doors.areClosed())
      throw new InputError('session', 'Sign-in is off at this shop.', 'an owner set up first');
    const { name, isProof } = await nameOf(req, res, check<SignIn>(signInBody, req.body));
    // Nobody goes on in a session that was there before.
    const before = found(req);
    if (before) doors.end(before.id);
    const { token } = doors.begin(name, fromOf(req), sessionDays(), Date.now(), isProof);
    giveToken(req, res, token, sessionDays());
    tries.right(name, sourceOf(req), giveDeviceToken(req, res), Date.now());
    noted(name, 'signed in', req);
    logger.info({ from: req.ip, who: name }, 'signed in');
    res.status(201).json(standing(doors.byToken(token, Date.now())));
  });
  router.post('/session/touch', (req, res) => {
    const me = open(req);
    const { agoS } = check<{ agoS: number }>(touchBody, req.body);
    doors.touch(me.id, Date.now() - agoS * 1000, Date.now());
    res.status(204).end();
  });
  router.post('/session/confirm', async (req, res) => {
    const me = open(req);
    const brought = check<Confirm>(confirmBody, req.body);
    if ('secret' in brought) await checked(req, res, me.who, brought.secret);
    else if ((await ceremonies.check(req, brought.passkey)) !== me.who)
      throw new NotSignedIn(
        'passkey',
        'This is another person’s passkey.',
        `a passkey of ${me.who}`,
      );
    doors.confirm(me.id, Date.now());
    res.status(204).end();
  });
  router.post('/session/passkey-challenge', async (req, res) => {
    res.status(201).json(await ceremonies.assertion(req));
  });
  /** An owner who proved of late who they are. */
  const provedOwner = (req: Request): SignedIn => {
    const me = open(req);
    checkRight(me, 'govern', 'use a passkey');
    if (!isConfirmed(me, Date.now()))
      throw new NotSignedIn(
        'confirm',
        'This needs your PIN or passphrase again.',
        `that of ${me.who}, or a passkey`,
      );
    return me;
  };
  router.get(
    '/session/passkeys',
    (req, res) => void res.json({ passkeys: passkeys.list(open(req).who) }),
  );
  router.post('/session/passkeys/challenge', async (req, res) => {
    res.status(201).json(await ceremonies.registration(req, provedOwner(req).who));
  });
  router.post('/session/passkeys', async (req, res) => {
    const me = provedOwner(req);
    const body = check<{ label: string; passkey: RegistrationResponseJSON }>(passkeyBody, req.body);
    await ceremonies.add(req, me.who, body.label, body.passkey);
    noted(me.who, 'passkey added', req);
    res.status(201).json({ passkeys: passkeys.list(me.who) });
  });
  router.delete('/session/passkeys/:id', (req, res) => {
    const me = provedOwner(req);
    if (!passkeys.remove(req.params.id, me.who)) throw new NotFound('Passkey not found.');
    noted(me.who, 'passkey removed', req);
    res.json({ passkeys: passkeys.list(me.who) });
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
    tries.right(me.who, sourceOf(req), giveDeviceToken(req, res), Date.now());
    noted(me.who, 'new PIN or passphrase', req);
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
  const owner = (req: Request): SignedIn => {
    const me = open(req);
    checkRight(me, 'govern', 'see who guesses');
    return me;
  };
  const guessing = () => ({ guessing: tries.guessing(Date.now()) });
  router.get('/sessions/guessing', (req, res) => {
    owner(req);
    res.json(guessing());
  });
  router.put('/sessions/guessing/:id', (req, res) => {
    const me = owner(req);
    const { isBlocked } = check<{ isBlocked: boolean }>(blockBody, req.body);
    const id = check<number>(tryId, Number(req.params.id));
    if (!tries.block(id, isBlocked)) throw new NotFound('Guessing not found.');
    noted(
      me.who,
      isBlocked ? 'blocked a source of wrong tries' : 'unblocked a source of wrong tries',
      req,
    );
    res.json(guessing());
  });
  router.delete('/sessions/guessing/:id', (req, res) => {
    owner(req);
    if (!tries.clear(check<number>(tryId, Number(req.params.id))))
      throw new NotFound('Guessing not found.');
    res.json(guessing());
  });
  const mine = (me: SignedIn) =>
    doors.sessions(Date.now()).filter((s) => me.role === 'owner' || s.who === me.who);
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
