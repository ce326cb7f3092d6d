import { mayDo, whoMay, type Right } from '../../core/doors';
import type { Entry } from '../../core/job';
import type { SignedIn } from '../db/door-store';
import { NotAllowed } from '../errors';

/** What of a request decides beside its address; whoever is not signed in was let in by other doors. */

const must = (me: SignedIn | null, right: Right, what: string): void => {
  if (me !== null && !mayDo(me.role, right))
    throw new NotAllowed('role', `${me.who} is here as a ${me.role} and may not ${what}.`, whoMay(right));
};

const handsOver = (kind: unknown): boolean => kind === 'handed-over';

/** Throws `NotAllowed` where entries hand a wheel over, or take that back, for somebody who may not. */
export const checkHandsOver = (me: SignedIn | null, entries: readonly unknown[], log: () => readonly Entry[]): void => {
  if (me === null || mayDo(me.role, 'hand over')) return;
  for (const entry of entries as { kind?: unknown; data?: { entryId?: unknown } | null }[]) {
    const target = entry.kind === 'undo' && log().find((e) => e.id === entry.data?.entryId);
    if (handsOver(entry.kind) || (target && handsOver(target.kind))) must(me, 'hand over', 'hand a wheel over');
  }
};

/** Throws `NotAllowed` where a record brings another price than it has, for somebody who may not set prices. */
export const checkPrice = (me: SignedIn | null, it: object, before: object | undefined): void => {
  const priceOf = (record: object | undefined): unknown => (record as { priceMinor?: unknown })?.priceMinor ?? null;
  if (priceOf(it) !== priceOf(before)) must(me, 'govern', 'set a price');
};

/** Throws `NotAllowed` for somebody else’s practice, unless the shop may see it. */
export const checkShown = (me: SignedIn | null, whose: string, isShown: boolean): void => {
  if (me !== null && me.who !== whose && !isShown)
    throw new NotAllowed(
      'who',
      `${whose} keeps their practice to themselves.`,
      `your own, or with ${whose}’s agreement`,
    );
};
