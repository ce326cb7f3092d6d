import { useCallback, useState } from 'react';
import { PRACTICE_KINDS, type PracticeKind } from '../../../core/practice';

/** The hidden wheel at hand. */
export interface RoundAt {
  kind: PracticeKind;
  level: string;
  seed: number;
}

/** A round under way: what was done, and since when. */
interface Kept extends RoundAt {
  who: string;
  acts: unknown[];
  sinceMs: number;
}

/** The storage key of the round that someone left. */
const KEY = 'rimstone-practice';

const isKept = (it: Partial<Kept>): it is Kept =>
  PRACTICE_KINDS.includes(it.kind as PracticeKind) &&
  typeof it.level === 'string' &&
  typeof it.seed === 'number' &&
  Array.isArray(it.acts);

/** The round that someone left in this browser; null where there is none. */
export const leftRound = (who: string): (RoundAt & { acts: unknown[] }) | null => {
  try {
    const it = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Kept>;
    return isKept(it) && it.who === who && it.acts.length > 0 ? it : null;
  } catch {
    return null;
  }
};

export const forgetRound = (): void => localStorage.removeItem(KEY);

const begin = (at: RoundAt, who: string): Kept => {
  const left = leftRound(who) as Kept | null;
  const isSame = left?.kind === at.kind && left.level === at.level && left.seed === at.seed;
  return isSame ? left : { ...at, who, acts: [], sinceMs: Date.now() };
};

/**
 * The acts of a round; they stay in this browser until it is done, so that a left round goes on
 * where it stood.
 */
export const useRound = <Act>(
  at: RoundAt,
  who: string,
): { acts: readonly Act[]; act: (it: Act) => void; tookS: () => number } => {
  const [round, setRound] = useState(() => begin(at, who));
  const act = useCallback(
    (it: Act) =>
      setRound((before) => {
        const next = { ...before, acts: [...before.acts, it] };
        localStorage.setItem(KEY, JSON.stringify(next));
        return next;
      }),
    [],
  );
  const tookS = () => Math.min(86_400, Math.round((Date.now() - round.sinceMs) / 1000));
  return { acts: round.acts as Act[], act, tookS };
};
