import type { Request, Response } from 'express';
import type { Logger } from 'pino';
import { counted } from '../../core/base/units';
import type { ChangeStore } from '../db/change-store';
import type { AuthStore } from '../db/auth-store';
import type { SignInTries, TrySource } from '../db/sign-in-tries';
import { MustWait, NotAllowed, NotSignedIn } from '../errors';
import { deviceTokenOf } from './device-cookie';
import { addressOf, signInRateLimit, WAIT_WORDS } from './sign-in-rate-limit';
import { serialQueue } from './serial-queue';
import { kindOfScreen } from './kind-of-screen';
import { isSecret } from './secret-hash';
import type { SignInCodes } from './sign-in-codes';

/** Sign-ins that wait for one another at a time. */
const MAX_AT_ONCE = 20;

/** The kind of device and the address of a request, in words. */
export const fromOf = (req: Request): string =>
  `${kindOfScreen(req.headers['user-agent'])} at ${req.ip ?? 'no address'}`;

/** The source of a request, for counting wrong tries. */
export const sourceOf = (req: Request): TrySource => ({
  deviceToken: deviceTokenOf(req),
  address: addressOf(req),
  from: fromOf(req),
});

interface Needs {
  auth: AuthStore;
  tries: SignInTries;
  codes: SignInCodes;
  changes: ChangeStore;
  logger: Logger;
}

/** Checks secrets and codes, one at a time, and counts wrong ones by person, device and address. */
export const signInCheck = ({ auth, tries, codes, changes, logger }: Needs) => {
  const ofAddress = signInRateLimit(addressOf);
  const oneByOne = serialQueue(MAX_AT_ONCE);
  /**
   * Writes what happened at a sign-in into the change log; `byWhom` null for one who is not known.
   */
  const note = (name: string, what: string, req: Request, byWhom: string | null = name): void =>
    changes.note('sign-ins', name, name, { [what]: [null, fromOf(req)] }, byWhom);

  const checkWait = (name: string, source: TrySource): void => {
    if (tries.isBlocked(name, source))
      throw new NotAllowed(
        'secret',
        'An owner has blocked sign-in from here.',
        'Ask an owner to unblock it',
      );
    const waitMs = tries.waitsUntilMs(name, source, Date.now()) - Date.now();
    if (waitMs <= 0) return;
    const wait = counted(Math.ceil(waitMs / 60_000), 'minute');
    throw new MustWait(
      'secret',
      'Too many wrong tries.',
      `Try again in ${wait}, or use a device where ${name} has signed in before`,
    );
  };
  return {
    note,
    /**
     * Throws `NotAllowed` for a blocked source, `MustWait` after too many wrong tries,
     * `NotSignedIn` for a wrong one.
     */
    secret: (req: Request, res: Response, name: string, brought: string): Promise<void> =>
      oneByOne(async () => {
        const source = sourceOf(req);
        checkWait(name, source);
        const isKnown = tries.knownBy(name, source);
        if (!isKnown && (await ofAddress.waits(req)))
          throw new MustWait('secret', 'Too many wrong tries.', WAIT_WORDS);
        const kept = auth.secretOf(name);
        if (await isSecret(brought, kept)) return;
        logger.warn({ from: req.ip, who: name }, 'refused to sign in');
        if (kept !== null) {
          tries.wrong(name, source, Date.now());
          note(name, 'wrong try', req, null);
        }
        if (!isKnown) await ofAddress.wrong(req, res);
        throw new NotSignedIn('secret', 'Wrong PIN or passphrase.', `Enter that of ${name}`);
      }),
    /** The person a code signs in. Throws as above. */
    async code(req: Request, res: Response, code: string): Promise<string> {
      if (await ofAddress.waits(req))
        throw new MustWait('code', 'Too many wrong tries.', WAIT_WORDS);
      const taken = codes.take(code, Date.now());
      const isThere =
        taken && auth.sessions(Date.now()).some((s) => s.id === taken.sessionId && !s.isLocked);
      if (isThere) return taken.who;
      logger.warn({ from: req.ip }, 'refused to sign in by a code');
      await ofAddress.wrong(req, res);
      throw new NotSignedIn(
        'code',
        'The code is used or expired.',
        'Get a new code on the first device',
      );
    },
  };
};
export type SignInCheck = ReturnType<typeof signInCheck>;
