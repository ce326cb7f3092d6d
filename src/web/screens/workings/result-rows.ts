import { formatMoney, type Unit } from '../../../core/base/units';
import { resultWord } from './result-words';

/** A value of a result, by what can be shown of it. */
export type Shown =
  | { as: 'text'; text: string }
  | { as: 'quantity'; value: number; unit: Unit }
  | { as: 'rows'; rows: Row[] }
  | { as: 'table'; heads: string[]; lines: Shown[][] };

/** A value with its words. */
export interface Row {
  label: string;
  value: Shown;
}

/** Units as names of values end in them. */
const ENDINGS: readonly (readonly [ending: string, unit: Unit])[] = [
  ['depthNowMm', 'tread'],
  ['Mm', 'mm'],
  ['Kpa', 'kPa'],
  ['Nm', 'Nm'],
  ['Deg', 'deg'],
  ['Kg', 'kg'],
  ['Km', 'km'],
  ['Kmh', 'km/h'],
  ['Years', 'years'],
  ['Pct', 'pct'],
  ['In', 'in'],
  ['C', 'C'],
  ['G', 'g'],
  ['N', 'N'],
  ['M', 'm'],
];

/** Sentences and shapes that a working shows elsewhere. */
const SHOWN_ELSEWHERE = new Set(['reasons', 'reason', 'pattern', 'quantities', 'region']);
const MAX_LINES = 40;

const endingOf = (name: string): readonly [string, Unit] | undefined =>
  name === 'deg'
    ? ['', 'deg']
    : ENDINGS.find(([ending]) => name.length > ending.length && name.endsWith(ending));

/** `overallDiameterMm` as `overall diameter`, unless the key has words of its own. */
const wordsOf = (calculator: string, name: string): string => {
  const words = resultWord(calculator, name);
  if (words) return words;
  const ending = endingOf(name);
  const bare = (ending?.[0] ? name.slice(0, -ending[0].length) : name).replace(/Minor$/, '');
  return bare.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);
};

const isRecord = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** The context that every value of a result is shown with. */
interface Context {
  calculator: string;
  /** Of the amounts, whose keys end in `Minor`. */
  currency: string;
}

const numberShown = ({ currency }: Context, name: string, value: number): Shown => {
  if (name.endsWith('Minor')) return { as: 'text', text: formatMoney(value, currency) };
  const ending = endingOf(name);
  return ending
    ? { as: 'quantity', value, unit: ending[1] }
    : { as: 'text', text: String(Math.round(value * 1000) / 1000) };
};

const tableShown = (context: Context, list: readonly Record<string, unknown>[]): Shown => {
  const names = [...new Set(list.flatMap((it) => Object.keys(it)))].filter(
    (n) => !SHOWN_ELSEWHERE.has(n) && list.some((it) => !isRecord(it[n])),
  );
  return {
    as: 'table',
    heads: names.map((n) => wordsOf(context.calculator, n)),
    lines: list.slice(0, MAX_LINES).map((it) => names.map((n) => shownOf(context, n, it[n]))),
  };
};

const shownOf = (context: Context, name: string, value: unknown): Shown => {
  if (value === null || value === undefined) return { as: 'text', text: '–' };
  if (typeof value === 'boolean') return { as: 'text', text: value ? 'yes' : 'no' };
  if (typeof value === 'number') return numberShown(context, name, value);
  if (Array.isArray(value)) {
    if (value.length > 0 && value.every(isRecord)) return tableShown(context, value);
    return {
      as: 'text',
      text:
        value
          .map((v) => (typeof v === 'number' ? Math.round(v * 10) / 10 : String(v)))
          .join(', ') || 'none',
    };
  }
  return isRecord(value)
    ? { as: 'rows', rows: rowsOf(context, value) }
    : { as: 'text', text: String(value) };
};

const rowsOf = (context: Context, result: Record<string, unknown>): Row[] =>
  Object.entries(result)
    .filter(([name]) => !SHOWN_ELSEWHERE.has(name))
    .map(([name, value]) => ({
      label: wordsOf(context.calculator, name),
      value: shownOf(context, name, value),
    }));

/** A calculator's result as rows in words; its reasons stand apart. */
export const resultRows = (calculator: string, result: unknown): Row[] => {
  if (!isRecord(result)) return [];
  const currency = typeof result.currency === 'string' ? result.currency : 'USD';
  return rowsOf({ calculator, currency }, result);
};

/** The reasons of a result, wherever it has them. */
export const reasonsOf = (result: unknown): unknown[] => {
  if (!isRecord(result)) return [];
  const { reasons, reason } = result;
  return [
    ...(Array.isArray(reasons) ? (reasons as unknown[]) : []),
    ...(isRecord(reason) ? [reason] : []),
  ];
};
