import { parseISO } from 'date-fns';
import type { RecheckRow } from '../../../core/job/recheck';
import { daysBetween } from '../../../core/base/units';
import { POSITION_WORDS } from '../../../core/fit/wheels';

/**
 * `1 day overdue`, `today`, `Thursday`, `Dec 3`, `Feb 4, 2031`: a day as a shop says it.
 */
export const dueDayText = (day: string, today: string): string => {
  const days = daysBetween(today, day);
  const at = parseISO(day);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return '1 day overdue';
  if (days < 0) return `${-days} days overdue`;
  if (days < 7) return at.toLocaleDateString('en-US', { weekday: 'long' });
  const isThisYear = day.slice(0, 4) === today.slice(0, 4);
  return at.toLocaleDateString('en-US', {
    day: 'numeric',
    month: 'short',
    ...(isThisYear ? {} : { year: 'numeric' }),
  });
};

/** `Vellan Strada 700, rear wheel`, or the tool. */
export const recheckName = ({ tool, machineName, position }: RecheckRow): string =>
  tool
    ? tool.name
    : `${machineName}${position === null ? '' : `, ${POSITION_WORDS[position].toLowerCase()}`}`;

/** The address at which a row is closed: at its wheel, or in the list if there is none. */
export const recheckAddress = ({ id, wheelId }: RecheckRow): string =>
  wheelId === null ? `/rechecks?look=${id}` : `/wheels/${wheelId}?look=${id}`;
