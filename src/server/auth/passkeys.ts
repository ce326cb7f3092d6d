import type {
  AuthenticationResponseJSON,
  AuthenticatorTransport,
  RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Request } from 'express';
import { isIP } from 'node:net';
import { InputError } from '../../core/base/errors';
import type { PasskeyStore, StoredPasskey } from '../db/passkey-store';
import { NotSignedIn } from '../errors';

/** Loaded at first use: it takes a quarter of the time that the server needs to start. */
const webauthn = () => import('@simplewebauthn/server');

const CHALLENGE_MS = 120_000;
/** Challenges that wait at a time; the oldest goes first. */
const MAX_CHALLENGES = 500;
/** Passkeys of one person. */
const MAX_PASSKEYS = 10;

/**
 * The relying party of a request: passkeys belong to a host name. Source: W3C Web Authentication
 * Level 2, 5.1.2.
 */
const partyOf = (req: Request): { rpID: string; origin: string } => {
  const { hostname, protocol } = req;
  if (isIP(hostname.replace(/^\[|\]$/g, '')) !== 0)
    throw new InputError(
      'passkey',
      `A passkey belongs to a host name, and this shop is open at ${hostname}.`,
      'Open the shop by its host name, or as localhost on its own computer',
    );
  return { rpID: hostname, origin: `${protocol}://${req.headers.host ?? hostname}` };
};

const transportsOf = (key: StoredPasskey) => key.transports as AuthenticatorTransport[];

/**
 * Passkeys by WebAuthn (W3C Web Authentication Level 2): registration for one who is signed in, and
 * assertions, each against a challenge that is good once and for two minutes. The user has to be
 * verified by the authenticator.
 */
export const passkeyCeremonies = (store: PasskeyStore, shopName: () => string) => {
  const waiting = new Map<string, number>();
  const expect = (challenge: string, nowMs: number): void => {
    for (const [old, endsMs] of waiting) if (endsMs <= nowMs) waiting.delete(old);
    const oldest = waiting.keys().next().value;
    if (waiting.size >= MAX_CHALLENGES && oldest !== undefined) waiting.delete(oldest);
    waiting.set(challenge, nowMs + CHALLENGE_MS);
  };
  /** Whether a challenge was given out and not used. */
  const isExpected = (challenge: string): boolean => {
    const endsMs = waiting.get(challenge) ?? 0;
    waiting.delete(challenge);
    return endsMs > Date.now();
  };
  const refused = () =>
    new NotSignedIn(
      'passkey',
      'This passkey was not accepted.',
      'Use a passkey of this shop, or the PIN or passphrase',
    );
  return {
    async registration(req: Request, who: string) {
      const its = store.of(who);
      if (its.length >= MAX_PASSKEYS)
        throw new InputError(
          'passkey',
          `${who} has ${MAX_PASSKEYS} passkeys.`,
          'Remove one of them first',
        );
      const { generateRegistrationOptions } = await webauthn();
      const options = await generateRegistrationOptions({
        rpName: shopName() || 'Tough Rimstone',
        rpID: partyOf(req).rpID,
        userName: who,
        userID: new Uint8Array(Buffer.from(who, 'utf8')),
        attestationType: 'none',
        excludeCredentials: its.map((key) => ({ id: key.id, transports: transportsOf(key) })),
        authenticatorSelection: { residentKey: 'preferred', userVerification: 'required' },
      });
      expect(options.challenge, Date.now());
      return options;
    },
    /** Throws `NotSignedIn` for a response that does not answer a challenge of this shop. */
    async add(
      req: Request,
      who: string,
      label: string,
      response: RegistrationResponseJSON,
    ): Promise<void> {
      const { rpID, origin } = partyOf(req);
      const { verifyRegistrationResponse } = await webauthn();
      const result = await verifyRegistrationResponse({
        response,
        expectedChallenge: isExpected,
        expectedOrigin: origin,
        expectedRPID: rpID,
        requireUserVerification: true,
      }).catch(() => null);
      if (!result?.verified) throw refused();
      const { id, publicKey, counter, transports } = result.registrationInfo.credential;
      if (store.find(id))
        throw new InputError('passkey', 'This passkey is already saved.', 'Use another passkey');
      store.add(
        {
          id,
          who,
          label,
          publicKey: Buffer.from(publicKey),
          counter,
          transports: [...(transports ?? [])],
        },
        new Date().toISOString(),
      );
    },
    async assertion(req: Request) {
      const { generateAuthenticationOptions } = await webauthn();
      const options = await generateAuthenticationOptions({
        rpID: partyOf(req).rpID,
        userVerification: 'required',
      });
      expect(options.challenge, Date.now());
      return options;
    },
    /** The person whose passkey answered. Throws `NotSignedIn`. */
    async check(req: Request, response: AuthenticationResponseJSON): Promise<string> {
      const { rpID, origin } = partyOf(req);
      const key = store.find(String(response.id));
      if (!key) throw refused();
      const { verifyAuthenticationResponse } = await webauthn();
      const result = await verifyAuthenticationResponse({
        response,
        expectedChallenge: isExpected,
        expectedOrigin: origin,
        expectedRPID: rpID,
        requireUserVerification: true,
        credential: {
          id: key.id,
          publicKey: new Uint8Array(key.publicKey),
          counter: key.counter,
          transports: transportsOf(key),
        },
      }).catch(() => null);
      if (!result?.verified) throw refused();
      store.used(key.id, result.authenticationInfo.newCounter, new Date().toISOString());
      return key.who;
    },
  };
};
export type PasskeyCeremonies = ReturnType<typeof passkeyCeremonies>;
