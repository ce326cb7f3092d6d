import { count, uniqueBy, listOf, record, ruleValues, text } from '../../base/fields';
import { ruleNumber, ruleWord, type RuleValues } from '../../base/rules';
import { formatMoney } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { lowerFirst } from '../../base/text-case';

/** A part that a job wants; `stockId` null where it is not from the shelf. */
export interface Want {
  what: string;
  count: number;
  stockId: string | null;
}

interface Shelf {
  id: string;
  count: number;
  priceMinor: number | null;
}

interface MaterialLine extends Want {
  inStock: number;
  short: number;
  /** For one; null where it is not known. */
  priceMinor: number | null;
  totalMinor: number | null;
}

export interface Materials {
  lines: MaterialLine[];
  partsMinor: number;
  disposalMinor: number;
  taxMinor: number;
  totalMinor: number;
  currency: string;
  /** Some price is not known, so the total is too small. */
  incomplete: boolean;
  reasons: Reason[];
}

const money = (what: string) =>
  count(0, 100_000_000, what).meta({
    expected: `Enter ${lowerFirst(what)}: a whole number of the smallest coin`,
  });

/**
 * The parts of a job against the shelf, what is short, and what it costs.
 *
 * Amounts in the smallest coin; tax is taken on parts and disposal fee together and rounded half
 * up, once. Fee, tax and currency are the shop's rules. A part whose price is not known counts
 * nothing, and the result says so.
 */
export const materials = defineWorking<
  { wants: Want[]; shelf: Shelf[]; tiresToDispose: number; rules?: RuleValues },
  Materials
>({
  name: 'materials',
  title: 'Parts and cost of a job',
  input: () => ({
    wants: listOf(
      record(
        {
          what: text(120, 'What it is'),
          count: count(1, 1000, 'Count'),
          stockId: text(60, 'Name in stock').allow(null),
        },
        'A part',
      ),
      60,
      'Parts needed',
    ),
    shelf: uniqueBy(
      listOf(
        record(
          {
            id: text(60, 'Name in stock'),
            count: count(0, 10_000, 'In stock'),
            priceMinor: money('Price').allow(null),
          },
          'Stock',
        ),
        5000,
        'What is in stock',
      ),
      'id',
    ),
    tiresToDispose: count(0, 10, 'Old tires to recycling'),
    rules: ruleValues(),
  }),
  example: {
    wants: [
      { what: 'tire 110/90-19', count: 1, stockId: 't' },
      { what: 'tube', count: 1, stockId: 'u' },
    ],
    shelf: [
      { id: 't', count: 3, priceMinor: 8450 },
      { id: 'u', count: 0, priceMinor: 1290 },
    ],
    tiresToDispose: 1,
    rules: { 'cost.disposalMinor': 350, 'cost.taxPct': 8 },
  },
  work({ wants, shelf, tiresToDispose, rules }, show) {
    const currency = ruleWord('cost.currency', rules);
    const byId = new Map(shelf.map((s) => [s.id, s]));
    const taken = new Map<string, number>();
    const lines = wants.map((want): MaterialLine => {
      const item = want.stockId === null ? undefined : byId.get(want.stockId);
      // The same part wanted twice is short the second time.
      const before = want.stockId === null ? 0 : (taken.get(want.stockId) ?? 0);
      if (want.stockId !== null) taken.set(want.stockId, before + want.count);
      const inStock = Math.max(0, (item?.count ?? 0) - before);
      const priceMinor = item?.priceMinor ?? null;
      const totalMinor = priceMinor === null ? null : priceMinor * want.count;
      show.line(
        want.what,
        priceMinor === null
          ? `${want.count} × price not known`
          : `${want.count} × ${formatMoney(priceMinor, currency)}`,
        totalMinor === null ? '–' : formatMoney(totalMinor, currency),
      );
      return { ...want, inStock, short: Math.max(0, want.count - inStock), priceMinor, totalMinor };
    });
    const partsMinor = lines.reduce((t, l) => t + (l.totalMinor ?? 0), 0);
    const disposalMinor = tiresToDispose * ruleNumber('cost.disposalMinor', rules, show);
    const taxPct = ruleNumber('cost.taxPct', rules, show);
    const taxMinor = Math.floor(((partsMinor + disposalMinor) * taxPct) / 100 + 0.5);
    const totalMinor = partsMinor + disposalMinor + taxMinor;
    show.line('parts', 'sum', formatMoney(partsMinor, currency));
    if (disposalMinor > 0)
      show.line('disposal', `${tiresToDispose} × fee`, formatMoney(disposalMinor, currency));
    if (taxMinor > 0)
      show.line('tax', `${taxPct}% of parts and fee`, formatMoney(taxMinor, currency));
    show.line('total', 'parts + disposal + tax', formatMoney(totalMinor, currency));
    const incomplete = lines.some((l) => l.priceMinor === null);
    const reasons = [
      ...lines
        .filter((l) => l.short > 0)
        .map((l) => reason('check', `${l.what}: ${l.inStock} in stock, ${l.count} needed.`)),
      ...(incomplete ? [reason('check', 'Some prices are missing, so the total is too low.')] : []),
    ];
    show.verdict(worstOf(reasons));
    return {
      lines,
      partsMinor,
      disposalMinor,
      taxMinor,
      totalMinor,
      currency,
      incomplete,
      reasons,
    };
  },
});
