import type { VisitSummary } from '../../../core/visit';
import type { Verdict } from '../../../core/working';

const DAY_MS = 86_400_000;

/** `15:30`, `tomorrow 9:00`, `Fri 9:00`, `3 Dec 9:00`: a moment as somebody in the shop says it. */
export const momentText = (iso: string, nowMs: number): string => {
  const at = new Date(iso);
  const time = `${at.getHours()}:${String(at.getMinutes()).padStart(2, '0')}`;
  const dayOf = (d: Date) => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
  const days = Math.round((dayOf(at) - dayOf(new Date(nowMs))) / DAY_MS);
  if (days === 0) return time;
  if (days === 1) return `tomorrow ${time}`;
  if (days > 1 && days < 7) return `${at.toLocaleDateString('en-GB', { weekday: 'short' })} ${time}`;
  return `${at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${time}`;
};

/** What a machine waits for: what somebody wrote, else the parts that are not here; null where it waits for nothing. */
export const waitText = ({ waits, missing }: VisitSummary): string | null => {
  if (waits !== null) return waits;
  const first = missing[0];
  if (!first) return null;
  const more = missing.length > 1 ? ` and ${missing.length - 1} more` : '';
  return `${first.what}${more}, ${missing.every((m) => m.isOrdered) ? 'ordered' : 'not ordered yet'}`;
};

/** How a promise stands, in a word or two. */
export const DUE_WORDS: Record<Verdict, string> = { good: 'in time', check: 'tight', stop: 'will be late' };

/** That it cools after its ride, or is cool and its bolts wait; null where neither. */
export const coolText = ({ wheels }: VisitSummary, nowMs: number): string | null => {
  const until = wheels
    .flatMap((w) => (w.coolUntil === null || w.handedOver ? [] : [w.coolUntil]))
    .sort()
    .at(-1);
  if (until === undefined) return null;
  return Date.parse(until) > nowMs ? `cools until ${momentText(until, nowMs)}` : 'cool: bolts once more';
};
