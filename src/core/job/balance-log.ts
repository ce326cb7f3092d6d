import { sumVectors, type LevelTest, type Observation, type Piece } from '../balance';
import type { Entry, EntryData } from './entries';

/** The balancing of a wheel, as its log has it. */
export interface BalanceLog {
  hint: EntryData['balance-hint'] | null;
  /** What was seen since it began, in order, each with the weights that were on. */
  seen: (Observation & { entryId: string })[];
  on: Piece[];
  /** What is on is only taped on. */
  trial: boolean;
  /** How often weights were put on. */
  placements: number;
  /** The weights that stay; null before, and while a trial is on. */
  weights: EntryData['weights'] | null;
  balanced: EntryData['balanced'] | null;
}

export const UNBALANCED: BalanceLog = {
  hint: null,
  seen: [],
  on: [],
  trial: false,
  placements: 0,
  weights: null,
  balanced: null,
};

const BALANCE_KINDS = [
  'balance-hint',
  'rest',
  'trial',
  'weights',
  'level-test',
  'swing',
  'machine-reading',
  'balanced',
  'balance-again',
  'trial-rest',
  'level-check',
] as const;
type BalanceKind = (typeof BALANCE_KINDS)[number];
export type BalanceEntry = Extract<Entry, { kind: BalanceKind }>;

export const isOfBalance = (entry: Entry): entry is BalanceEntry =>
  (BALANCE_KINDS as readonly string[]).includes(entry.kind);

const isSame = (a: readonly Piece[], b: readonly Piece[]): boolean =>
  a.length === b.length && a.every((p, i) => p.massG === b[i]!.massG && p.deg === b[i]!.deg);

/** The balancing after one more entry. */
export const balanceAfter = (log: BalanceLog, entry: BalanceEntry): BalanceLog => {
  const see = (seen: Observation): BalanceLog => ({
    ...log,
    seen: [...log.seen, { ...seen, entryId: entry.id }],
    balanced: null,
  });
  switch (entry.kind) {
    case 'balance-hint':
      return { ...log, hint: entry.data };
    case 'rest': {
      const { restDeg, from, turned } = entry.data;
      // With an earlier program a rest after weights began a new balancing.
      if (from === undefined && (log.on.length > 0 || log.seen.some((o) => o.weights.length > 0)))
        return balanceAfter(UNBALANCED, entry);
      return see({
        kind: 'settle',
        restDeg,
        from: from ?? null,
        ...(turned && { turned }),
        weights: log.on,
      });
    }
    case 'trial':
      return {
        ...log,
        on: entry.data.pieces,
        trial: entry.data.pieces.length > 0,
        placements: log.placements + 1,
        weights: null,
        balanced: null,
      };
    case 'weights':
      // A trial that stays on for good is no new placement.
      return {
        ...log,
        on: entry.data.pieces,
        trial: false,
        placements: log.placements + (log.trial && isSame(log.on, entry.data.pieces) ? 0 : 1),
        weights: entry.data,
        balanced: null,
      };
    case 'level-test':
      return see({ kind: 'level', ...entry.data, weights: log.on });
    case 'swing':
      return see({ kind: 'swing', ...entry.data, weights: log.on });
    case 'machine-reading':
      return see({ kind: 'machine', ...entry.data, weights: log.on });
    case 'balanced':
      return { ...log, balanced: entry.data };
    case 'balance-again':
      return UNBALANCED;
    case 'trial-rest': {
      const { trialMassG, trialDeg, restDeg } = entry.data;
      return {
        ...see({
          kind: 'settle',
          restDeg,
          from: null,
          weights: [{ massG: trialMassG, deg: trialDeg }],
        }),
        on: [],
        trial: false,
        placements: log.placements + 1,
        weights: null,
      };
    }
    case 'level-check':
      // The counterweight was held level, on one side and on the other.
      return log.on.length === 0
        ? log
        : see({
            kind: 'level',
            deg: sumVectors(log.on).deg,
            at: entry.data.clock === 9 ? 'left' : 'right',
            moved: entry.data.moved,
            weights: log.on,
          });
  }
};

/** Tests of what is on now, the newest last. */
export const testsOfNow = ({ seen, on }: BalanceLog) =>
  seen.filter((o): o is LevelTest & { entryId: string } => o.kind === 'level' && o.weights === on);
