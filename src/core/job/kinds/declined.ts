import { text } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** Work that was recommended and that the rider declined; `by` is who said so. */
interface DeclinedData {
  what: string;
  by: string;
}

export const declinedEntry = defineEntry<DeclinedData, { declined: DeclinedData[] }>({
  ...WHEEL_WORK,
  schema: () => ({ what: text(300, 'What was recommended'), by: text(80, 'Who declined it') }),
  text: ({ what, by }) => `Recommended, declined by ${by}: ${what}`,
  initial: { declined: [] },
  apply: ({ declined }, { data }) => ({
    declined: [...declined.filter((d) => d.what !== data.what), data],
  }),
  people: ({ by }) => [by],
});
