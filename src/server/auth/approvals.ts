/** The lifetime of an approval that is not used. Basis: memory. */
const APPROVAL_MINUTES = 2;
/** Approvals that wait at a time; the oldest goes first. */
const MAX_WAITING = 200;

/** A person's approval: of one log, at one screen. */
export interface Approval {
  by: string;
  sessionId: string;
  /** The id of the job or visit. */
  about: string;
}

const keyOf = ({ by, sessionId, about }: Approval): string =>
  JSON.stringify([by, sessionId, about]);

/**
 * Approvals given with a person's own PIN or passphrase at a screen where another person is signed
 * in. Each is good for one append, at that screen, to that log, within two minutes.
 */
export const approvalStore = () => {
  const waiting = new Map<string, number>();
  const isOpen = (approval: Approval, nowMs: number): boolean =>
    (waiting.get(keyOf(approval)) ?? 0) > nowMs;
  return {
    give(approval: Approval, nowMs: number): void {
      for (const [key, endsMs] of waiting) if (endsMs <= nowMs) waiting.delete(key);
      const oldest = waiting.keys().next().value;
      if (waiting.size >= MAX_WAITING && oldest !== undefined) waiting.delete(oldest);
      waiting.set(keyOf(approval), nowMs + APPROVAL_MINUTES * 60_000);
    },
    isGiven: isOpen,
    /** After an append to a log from a screen: the next one needs another approval. */
    useAll(sessionId: string, about: string): void {
      for (const key of waiting.keys()) {
        const [, session, log] = JSON.parse(key) as string[];
        if (session === sessionId && log === about) waiting.delete(key);
      }
    },
  };
};
export type ApprovalStore = ReturnType<typeof approvalStore>;
