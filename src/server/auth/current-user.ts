import { AsyncLocalStorage } from 'node:async_hooks';
import type { RequestHandler } from 'express';
import { meOf } from './me';

const acting = new AsyncLocalStorage<{ who: string | null }>();

/** Anyone who a request is answered for: signed in, or by the name that it brings. */
export const actsFor: RequestHandler = (req, _res, next) => {
  const { who } = (req.body ?? {}) as { who?: unknown };
  acting.run({ who: meOf(req)?.who ?? (typeof who === 'string' ? who.slice(0, 60) : null) }, next);
};

/** The current user; null if unnamed, undefined for system work. */
export const currentUser = (): string | null | undefined => acting.getStore()?.who;

/** Runs what follows from something that was noted already. */
export const runAsSystem = <T>(run: () => T): T => acting.exit(run);
