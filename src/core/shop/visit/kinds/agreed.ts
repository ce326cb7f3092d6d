import { count, text } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';

const MAX_MINOR = 100_000_000;

/** The amount a job may cost, in the smallest coin, and who approved it. */
interface AgreedData {
  amountMinor: number;
  currency: string;
  by: string;
}

export const agreedEntry = defineVisitEntry<
  AgreedData,
  { agreed: (AgreedData & { at: string }) | null }
>({
  author: 'anyone',
  undo: 'allowed',
  schema: {
    amountMinor: count(0, MAX_MINOR, 'The amount, in the smallest coin'),
    currency: text(3, 'The currency').pattern(/^[A-Z]{3}$/),
    by: text(80, 'Who agreed'),
  },
  text: ({ amountMinor, currency, by }, { money }) =>
    `Approved: ${money(amountMinor, currency)} by ${by}`,
  initial: { agreed: null },
  apply: (_, { data, at }) => ({ agreed: { ...data, at } }),
  people: ({ by }) => [by],
});
