import { isDeepStrictEqual } from 'node:util';
import { InputError } from '../../core/base/errors';
import type { LineOutcome } from '../../core/reports/exchange';

interface LogEntry {
  id: string;
  at: string;
  kind: string;
  data: unknown;
  replaces?: string;
}

/**
 * A log that is here already: the same, or here it went on. Throws `InputError` where the file's
 * went on elsewhere, or another way.
 */
export const sameLog = (
  name: string,
  here: readonly object[],
  given: readonly object[],
): LineOutcome => {
  const isPart = given.every((entry, i) => i >= here.length || isDeepStrictEqual(here[i], entry));
  if (isPart && given.length <= here.length) return given.length === here.length ? 'same' : 'stays';
  throw new InputError(
    'entries',
    isPart
      ? `${name} is here, and the file’s copy is newer.`
      : `${name} is here with a different log.`,
    'Use a file that matches this shop',
  );
};

/**
 * A log begins with what opens it, nothing else opens it again, its time does not run backwards, no
 * id stands twice and what names another entry names one before it. Throws `InputError`.
 */
export const checkOrder = (entries: readonly LogEntry[], openings: readonly string[]): void => {
  const known = new Set<string>();
  let last = '';
  entries.forEach(({ id, at, kind, data, replaces }, i) => {
    const opens = openings[i];
    if (opens !== undefined && kind !== opens)
      throw new InputError(
        `entries[${i}].kind`,
        `The log does not begin as it should.`,
        `Use ${openings.join(', ')}`,
      );
    if (opens === undefined && openings.includes(kind))
      throw new InputError(
        `entries[${i}].kind`,
        'The log has two opening entries.',
        'Use one opening entry, at the start',
      );
    if (at < last)
      throw new InputError(
        `entries[${i}].at`,
        'The time of the log runs backwards.',
        `Use ${last} or later`,
      );
    if (known.has(id))
      throw new InputError(`entries[${i}].id`, `${id} is listed twice.`, 'Give each its own ID');
    const named = kind === 'undo' ? (data as { entryId: string }).entryId : replaces;
    if (named !== undefined && !known.has(named))
      throw new InputError(
        `entries[${i}]`,
        `It names ${named}, which is not before it.`,
        'Use the ID of an earlier entry',
      );
    last = at;
    known.add(id);
  });
  if (entries.length < openings.length)
    throw new InputError(
      'entries',
      'The log starts with the wrong entry.',
      `Use ${openings.join(', ')}`,
    );
};
