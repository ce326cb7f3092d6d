import type { Unit } from '../../../core/base/units';

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
  ENDINGS.find(([ending]) => name.length > ending.length && name.endsWith(ending));

/** `overallDiameterMm` as `overall diameter`. */
const wordsOf = (name: string): string => {
  const ending = endingOf(name);
  const bare = ending ? name.slice(0, -ending[0].length) : name;
  return bare.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);
};

const isRecord = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

const numberShown = (name: string, value: number): Shown => {
  const ending = endingOf(name);
  return ending
    ? { as: 'quantity', value, unit: ending[1] }
    : { as: 'text', text: String(Math.round(value * 1000) / 1000) };
};

const tableShown = (list: readonly Record<string, unknown>[]): Shown => {
  const names = [...new Set(list.flatMap((it) => Object.keys(it)))].filter(
    (n) => !SHOWN_ELSEWHERE.has(n) && list.some((it) => !isRecord(it[n])),
  );
  return {
    as: 'table',
    heads: names.map(wordsOf),
    lines: list.slice(0, MAX_LINES).map((it) => names.map((n) => shownOf(n, it[n]))),
  };
};

const shownOf = (name: string, value: unknown): Shown => {
  if (value === null || value === undefined) return { as: 'text', text: '–' };
  if (typeof value === 'boolean') return { as: 'text', text: value ? 'yes' : 'no' };
  if (typeof value === 'number') return numberShown(name, value);
  if (Array.isArray(value)) {
    if (value.length > 0 && value.every(isRecord)) return tableShown(value);
    return {
      as: 'text',
      text:
        value
          .map((v) => (typeof v === 'number' ? Math.round(v * 10) / 10 : String(v)))
          .join(', ') || 'none',
    };
  }
  return isRecord(value)
    ? { as: 'rows', rows: resultRows(value) }
    : { as: 'text', text: String(value) };
};

/** A result as rows in words; its reasons stand apart. */
export const resultRows = (result: unknown): Row[] =>
  isRecord(result)
    ? Object.entries(result)
        .filter(([name]) => !SHOWN_ELSEWHERE.has(name))
        .map(([name, value]) => ({ label: wordsOf(name), value: shownOf(name, value) }))
    : [];

/** The reasons of a result, wherever it has them. */
export const reasonsOf = (result: unknown): unknown[] => {
  if (!isRecord(result)) return [];
  const { reasons, reason } = result;
  return [
    ...(Array.isArray(reasons) ? (reasons as unknown[]) : []),
    ...(isRecord(reason) ? [reason] : []),
  ];
};
