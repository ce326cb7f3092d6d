import type { RegistrationResponseJSON } from '@simplewebauthn/server';
import { Router } from 'express';
import Joi from 'joi';
import { check, text } from '../../core/base/fields';
import type { PasskeyStore } from '../db/passkey-store';
import type { PasskeyCeremonies } from '../auth/passkeys';
import type { SignInCheck } from '../auth/sign-in-check';
import type { WhoAsks } from '../auth/who-asks';
import { NotFound } from '../errors';
import type { ApiDocs } from '../openapi/api-docs';

/** The answer of a browser's authenticator; the package that verifies it knows its parts. */
export const passkeyResponse = Joi.object({ id: text(1400, 'Passkey') })
  .unknown()
  .required()
  .meta({ expected: 'Send the browser’s answer' });
const passkeyBody = Joi.object({
  label: text(60, 'Name of the passkey'),
  passkey: passkeyResponse,
}).required();

const WHAT = 'use a passkey';

/** The documentation of the routes below. */
export const passkeyApi: ApiDocs = {
  'POST /session/passkey-challenge': { says: 'A challenge for a passkey (WebAuthn)', status: 201 },
  'GET /session/passkeys': { says: 'Your own passkeys' },
  'POST /session/passkeys/challenge': {
    says: 'A challenge for a new passkey (WebAuthn)',
    status: 201,
  },
  'POST /session/passkeys': { says: 'Adds a passkey of an owner', body: passkeyBody, status: 201 },
  'DELETE /session/passkeys/:id': { says: 'Removes one of your passkeys' },
};

/** Passkeys of owners: challenges, and their list. */
export const passkeyRoutes = (
  passkeys: PasskeyStore,
  ceremonies: PasskeyCeremonies,
  asks: WhoAsks,
  signIn: SignInCheck,
): Router => {
  const router = Router();
  router.post('/session/passkey-challenge', async (req, res) => {
    res.status(201).json(await ceremonies.assertion(req));
  });
  router.get('/session/passkeys', (req, res) => {
    res.json({ passkeys: passkeys.list(asks.open(req).who) });
  });
  router.post('/session/passkeys/challenge', async (req, res) => {
    res.status(201).json(await ceremonies.registration(req, asks.provedOwner(req, WHAT).who));
  });
  router.post('/session/passkeys', async (req, res) => {
    const { who } = asks.provedOwner(req, WHAT);
    const body = check<{ label: string; passkey: RegistrationResponseJSON }>(passkeyBody, req.body);
    await ceremonies.add(req, who, body.label, body.passkey);
    signIn.note(who, 'passkey added', req);
    res.status(201).json({ passkeys: passkeys.list(who) });
  });
  router.delete('/session/passkeys/:id', (req, res) => {
    const { who } = asks.provedOwner(req, WHAT);
    if (!passkeys.remove(req.params.id, who)) throw new NotFound('Passkey not found.');
    signIn.note(who, 'passkey removed', req);
    res.json({ passkeys: passkeys.list(who) });
  });
  return router;
};
