import type { BalanceLog } from './balance-log';
import type { Entry, EntryKind } from './entries';
import type { KINDS } from './kinds';

/** The kinds that read or change the balancing of a job. */
type BalanceKind = {
  [K in EntryKind]: Parameters<(typeof KINDS)[K]['apply']>[0] extends { balance: BalanceLog }
    ? K
    : never;
}[EntryKind];
export type BalanceEntry = Extract<Entry, { kind: BalanceKind }>;

const BALANCE_KINDS: Record<BalanceKind, true> = {
  'balance-hint': true,
  rest: true,
  trial: true,
  weights: true,
  'level-test': true,
  swing: true,
  'machine-reading': true,
  balanced: true,
  'balance-again': true,
  'trial-rest': true,
  'level-check': true,
};

export const isOfBalance = (entry: Entry): entry is BalanceEntry => entry.kind in BALANCE_KINDS;
