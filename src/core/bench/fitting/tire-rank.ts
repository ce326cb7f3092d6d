import { InputError } from '../../base/errors';
import { count, uniqueBy, listOf, record, text } from '../../base/fields';
import { defineWorking, VERDICT_RANK, type Verdict } from '../../base/working';
import {
  CONTEXT_FIELDS,
  EXAMPLE_CONTEXT,
  prepareFit,
  TIRE_FIELDS,
  tireFitter,
  type FitContext,
  type TireFacts,
  type TireFit,
} from './tire-fit';

/** A tire on the shelf, as the ranking takes it. */
export interface Candidate extends TireFacts {
  id: string;
  count: number;
}

export interface RankedTire<T extends Candidate = Candidate> {
  tire: T;
  fit: TireFit;
  /** Why it stands here: the first thing in which it is behind the one before it. */
  because: string;
}

/** A shelf for a wheel, the best first; apart from it the tires whose size cannot be read. */
export interface TireRanking<T extends Candidate = Candidate> {
  ranked: RankedTire<T>[];
  unread: { tire: T; problem: InputError }[];
}

/** A tire whose age is not known stands behind the old ones. */
const AGE_UNKNOWN_YEARS = 99;

/** A candidate with what it is ranked by, most important first. Smaller is better. */
interface Keyed<T extends Candidate> {
  tire: T;
  fit: TireFit;
  keys: readonly number[];
}

/** The sentence of each key when it decides. */
const KEY_SAYS: readonly ((behind: Keyed<Candidate>) => string)[] = [
  () => 'check first',
  () => 'none in stock',
  () => 'another size',
  () => 'tread suits less',
  () => 'more to check',
  () => 'used',
  ({ fit }) => (fit.ageYears === null ? 'age unknown' : 'older'),
  () => 'fewer in stock',
];

const keysOf = (tire: Candidate, fit: TireFit, fromSize: string): number[] => [
  VERDICT_RANK[fit.verdict],
  tire.count > 0 ? 0 : 1,
  fit.size.size === fromSize ? 0 : 1,
  fit.treadRank,
  fit.reasons.filter((r) => r.verdict !== 'good').length,
  tire.takeOff ? 1 : 0,
  // Months, so that a week does not decide.
  Math.round((fit.ageYears ?? AGE_UNKNOWN_YEARS) * 12),
  -tire.count,
];

const compareKeys = (a: Keyed<Candidate>, b: Keyed<Candidate>): number => {
  for (let i = 0; i < a.keys.length; i++) {
    const d = a.keys[i]! - b.keys[i]!;
    if (d !== 0) return d;
  }
  return a.tire.marking.localeCompare(b.tire.marking) || a.tire.id.localeCompare(b.tire.id);
};

const becauseOf = (one: Keyed<Candidate>, before: Keyed<Candidate> | undefined): string => {
  if (one.fit.verdict === 'stop') return 'refused';
  if (!before) return one.fit.verdict === 'good' ? 'suits best' : 'best, check first';
  const i = one.keys.findIndex((key, k) => key !== before.keys[k]);
  return i < 0 ? 'as good as the one before' : KEY_SAYS[i]!(one);
};

/**
 * Tires in stock, the one that suits best first. A tire whose marking makes no sense comes back
 * apart.
 */
export const rankTires = <T extends Candidate>(
  tires: readonly T[],
  context: FitContext,
): TireRanking<T> => {
  const prepared = prepareFit(context);
  const fitOf = tireFitter(prepared);
  const fromSize = prepared.from.size;
  const keyed: Keyed<T>[] = [];
  const unread: { tire: T; problem: InputError }[] = [];
  for (const tire of tires)
    try {
      const fit = fitOf(tire);
      keyed.push({ tire, fit, keys: keysOf(tire, fit, fromSize) });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      unread.push({ tire, problem: error });
    }
  keyed.sort(compareKeys);
  return {
    ranked: keyed.map((one, i) => ({
      tire: one.tire,
      fit: one.fit,
      because: becauseOf(one, keyed[i - 1]),
    })),
    unread,
  };
};

const SHOWN = 12;

/**
 * Tires in stock ranked for one wheel and use: verdict, stock, size, tread, what is to look at, new
 * or used, age, count.
 *
 * `tires` at most 5000. Throws `InputError` naming the tire whose marking makes no sense. Common practice for the
 * order.
 */
export const tireRank = defineWorking<
  FitContext & { tires: Candidate[] },
  { id: string; verdict: Verdict; because: string; reasons: TireFit['reasons'] }[]
>({
  name: 'tire-rank',
  title: 'Tires in stock for a wheel',
  input: () => ({
    tires: uniqueBy(
      listOf(
        record(
          { id: text(60, 'Name of the tire'), count: count(0, 10_000, 'In stock'), ...TIRE_FIELDS },
          'A tire',
        ),
        5000,
        'The tires to choose from',
      ),
      'id',
    ),
    ...CONTEXT_FIELDS,
  }),
  example: {
    tires: [
      {
        id: 'a',
        marking: '110/90-19 62M TT',
        tread: 'soft',
        arrows: 'one',
        dateCode: '0126',
        takeOff: false,
        treadMm: null,
        count: 3,
      },
      {
        id: 'b',
        marking: '100/90-19 57M TT',
        tread: 'hard',
        arrows: 'one',
        dateCode: '4025',
        takeOff: false,
        treadMm: null,
        count: 1,
      },
      {
        id: 'c',
        marking: '150/70R18 70H',
        tread: 'half',
        arrows: 'one',
        dateCode: '0126',
        takeOff: false,
        treadMm: null,
        count: 2,
      },
    ],
    ...EXAMPLE_CONTEXT,
  },
  work({ tires, ...context }, show) {
    const { ranked, unread } = rankTires(tires, context);
    if (unread[0]) {
      const i = tires.indexOf(unread[0].tire);
      throw new InputError(
        `tires[${i}].marking`,
        unread[0].problem.message,
        unread[0].problem.expected,
      );
    }
    show.basis(
      'practice',
      'in order: verdict, in stock, the same size, tread for the use, fewer doubts, new, younger, more in stock',
    );
    show.line('tires', 'judged', tires.length);
    for (const { tire, because, fit } of ranked.slice(0, SHOWN))
      show.line(tire.marking, because, fit.verdict);
    show.verdict(ranked[0]?.fit.verdict ?? 'stop');
    return ranked.map(({ tire, fit, because }) => ({
      id: tire.id,
      verdict: fit.verdict,
      because,
      reasons: fit.reasons,
    }));
  },
});
