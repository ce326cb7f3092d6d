import { randomBytes } from 'node:crypto';

const CODE_BYTES = 16;
/** As long as it takes to walk over with a tablet. Basis: memory. */
export const CODE_MINUTES = 2;
/** Codes that wait at a time: the oldest goes. */
const MAX_CODES = 50;

/**
 * Codes by which someone who is signed in signs in another browser of theirs: each once, and not
 * for long.
 */
export const signInCodes = () => {
  const waiting = new Map<string, { who: string; sessionId: string; endsMs: number }>();
  return {
    make(who: string, sessionId: string, nowMs: number): { code: string; endsAt: string } {
      for (const [code, { endsMs, sessionId: of }] of waiting)
        if (endsMs <= nowMs || of === sessionId) waiting.delete(code);
      if (waiting.size >= MAX_CODES) waiting.delete([...waiting.keys()][0]!);
      const code = randomBytes(CODE_BYTES).toString('base64url');
      const endsMs = nowMs + CODE_MINUTES * 60_000;
      waiting.set(code, { who, sessionId, endsMs });
      return { code, endsAt: new Date(endsMs).toISOString() };
    },
    /**
     * The person that a code signs in, once; `sessionId` is the session that it was made in. Null
     * if it is of no use anymore.
     */
    take(code: string, nowMs: number): { who: string; sessionId: string } | null {
      const found = waiting.get(code);
      waiting.delete(code);
      return found && found.endsMs > nowMs ? found : null;
    },
  };
};
export type SignInCodes = ReturnType<typeof signInCodes>;
