import type { VisitSummary } from '../../../core/shop/visit';
import type { Verdict } from '../../../core/base/working';
import { momentText } from '../../parts/moment-text';

/**
 * The reason a machine is on hold: what was written, else the parts that are not here; null if it
 * is not.
 */
export const waitText = ({ waits, missing }: VisitSummary): string | null => {
  if (waits !== null) return waits;
  const first = missing[0];
  if (!first) return null;
  const more = missing.length > 1 ? ` and ${missing.length - 1} more` : '';
  return `${first.what}${more}, ${missing.every((m) => m.isOrdered) ? 'ordered' : 'not ordered yet'}`;
};

/**
 * That proof of one of its wheels was withdrawn after hand-over, and by whom; null when every
 * release stands.
 */
export const withdrawnText = ({ wheels }: VisitSummary): string | null => {
  const names = [...new Set(wheels.flatMap((w) => w.withdrawnBy ?? []))];
  return names.length === 0 ? null : `proof withdrawn by ${names.join(', ')}`;
};

/** The standing of a promise, in a word or two. */
export const DUE_WORDS: Record<Verdict, string> = { good: 'on time', check: 'tight', stop: 'late' };

/** That it cools after its ride, or is cool and its bolts wait; null where neither. */
export const coolText = ({ wheels }: VisitSummary, nowMs: number): string | null => {
  const until = wheels
    .flatMap((w) => (w.coolUntil === null || w.handedOver ? [] : [w.coolUntil]))
    .sort()
    .at(-1);
  if (until === undefined) return null;
  return Date.parse(until) > nowMs
    ? `cools until ${momentText(until, nowMs)}`
    : 'cool: recheck bolts';
};
