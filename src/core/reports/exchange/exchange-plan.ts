import type { FileOf, LineKind } from './lines';

/** The outcomes of a line of a file. */
export const TAKES = ['new', 'same', 'stays'] as const;
export type LineOutcome = (typeof TAKES)[number];

/** The effect of taking a file in, planned or done. */
export interface ExchangePlan {
  of: FileOf;
  /** The shop that the file is from. */
  from: string;
  counts: Record<LineKind, Record<LineOutcome, number>>;
  /** The entries that come in with new visits and jobs. */
  entries: number;
  photographs: { new: number; same: number; missing: number };
  /** The names that are here and stay; the first ones. */
  staying: { kind: LineKind; name: string }[];
  /** Jobs that get another number, since theirs is another job’s here. */
  renumbered: { from: number; to: number }[];
}

/** A file that was brought, and what taking it in would do. */
export interface Brought {
  id: string;
  plan: ExchangePlan;
}

const KIND_WORDS: Record<Exclude<LineKind, 'shop'>, string> = {
  person: 'people, without PINs or passphrases',
  rule: 'rules of the shop',
  'rule-change': 'rule changes',
  record: 'machines, wheels, stock and tools',
  visit: 'visits',
  job: 'jobs with their logs',
  order: 'part orders',
  practice: 'practice rounds',
  change: 'record changes',
};

/** The effect by kinds, as far as the file holds any. */
export const planRows = ({
  counts,
  photographs,
}: ExchangePlan): ({ says: string } & Record<LineOutcome, number>)[] => [
  ...(Object.keys(KIND_WORDS) as (keyof typeof KIND_WORDS)[])
    .map((kind) => ({ says: KIND_WORDS[kind], ...counts[kind] }))
    .filter((row) => row.new + row.same + row.stays > 0),
  ...(photographs.new + photographs.same > 0
    ? [{ says: 'photographs', new: photographs.new, same: photographs.same, stays: 0 }]
    : []),
];

/** Whether anything would come in. */
export const bringsAny = (plan: ExchangePlan): boolean =>
  planRows(plan).some((row) => row.new > 0) || plan.counts.shop.new > 0;

/**
 * The name of a file: letters and digits of the name, so that any disk takes it. `onDate`
 * YYYY-MM-DD.
 */
export const fileName = (of: FileOf, name: string, onDate: string): string => {
  const plain = name
    .normalize('NFD')
    .replace(/[^\w ]/g, '')
    .trim()
    .replace(/\s+/g, '-')
    .toLowerCase();
  return `${plain || 'shop'}-${of}-${onDate}.zip`;
};
