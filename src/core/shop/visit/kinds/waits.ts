import { instant, text } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';

/**
 * The reason a visit is on hold, and until when if known; `what` is null when it is no longer on
 * hold.
 */
interface WaitsData {
  what: string | null;
  until?: string | null;
}

export const waitsEntry = defineVisitEntry<
  WaitsData,
  { waits: string | null; waitsUntil: string | null }
>({
  author: 'anyone',
  undo: 'allowed',
  schema: {
    what: text(120, 'What it is on hold for').allow(null),
    until: instant('When it is expected').allow(null).optional().default(null),
  },
  text: ({ what, until }, { moment }) =>
    what === null ? 'Off hold' : `On hold for ${what}${until ? `, expected ${moment(until)}` : ''}`,
  initial: { waits: null, waitsUntil: null },
  apply: (_, { data }) => ({ waits: data.what, waitsUntil: data.until ?? null }),
});
