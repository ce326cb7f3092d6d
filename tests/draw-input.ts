import type Joi from 'joi';
import { DEFAULT_RULES } from '../src/core/base/rules';

/** A number from 0 up to 1. */
export type Chance = () => number;

/** What a schema says of itself. */
interface Told {
  type?: string;
  flags?: { presence?: string; only?: boolean; default?: unknown; description?: string };
  rules?: { name: string; args?: { limit?: number; regex?: string } }[];
  keys?: Record<string, Told>;
  items?: Told[];
  matches?: { schema: Told }[];
  allow?: unknown[];
  metas?: { expected?: string }[];
}

const SIZES = [
  '110/90-19 62M TT',
  '90/90-21 54R',
  '180/55ZR17 (73W)',
  '120/70 ZR 17',
  '120/70R17 58H TL',
  '140/80-18 70R TT NHS',
  '3.50-10 59J',
  '4.00-18 64S',
  '2.50-16',
  '5.00-16 69H',
  '110/80B19 59H',
  'MT90B16',
  'MH90-21',
  '25x10-12',
  '22x11R9',
  '205/80R12',
  '11x7.10-5',
  '33.0/10.5-15',
  '240/40VR18',
  '4.60H18',
  '120/90 - 18',
  '3.00',
  'tire',
  '0/0-0',
  '999/99-99',
  '120/70-17 F TT',
  '200/60R16 79V REAR',
];
const RIM_CODES = [
  '2.15x18',
  'J17xMT5.50',
  'MT3.50x17 DOT',
  '1.60-21',
  '12x8 AT',
  '3.00D',
  'rim',
  '17x0.10',
];
const LABELS = ['2.75/3.00-21', '110/90-18', '3.50/4.00-10 100/90-10', '18', 'tube'];
const DATE_CODES = ['2319', '0101', '5320', '5315', '9999', '179', 'X2Y'];
const DATES = ['2026-03-04', '2024-02-29', '1999-12-31', '2030-06-15'];

const pick = <T>(of: readonly T[], chance: Chance): T => of[Math.floor(chance() * of.length)]!;
const limit = (told: Told, name: string): number | undefined =>
  told.rules?.find((r) => r.name === name)?.args?.limit;

const number = (told: Told, chance: Chance): number => {
  const [min, max] = [limit(told, 'min') ?? 0, limit(told, 'max') ?? 1e6];
  const whole = told.rules?.some((r) => r.name === 'integer');
  const at = chance();
  // The ends, what is small, and anything.
  const drawn =
    at < 0.12
      ? min
      : at < 0.24
        ? max
        : at < 0.5
          ? min + (max - min) * chance() ** 4
          : min + (max - min) * chance();
  return whole ? Math.round(drawn) : at > 0.8 ? Math.round(drawn) : drawn;
};

const words = (says: string, chance: Chance): string => {
  if (/date code/i.test(says)) return pick(DATE_CODES, chance);
  if (/stamped|rim code/i.test(says)) return pick(RIM_CODES, chance);
  if (/label/i.test(says)) return pick([...LABELS, ...SIZES], chance);
  if (/tire|size|marking/i.test(says)) return pick(SIZES, chance);
  return pick(['a', 'b', 'Long name of a thing', 'ünïcode ½', 'x'], chance);
};

const ruleDraw = (chance: Chance): Record<string, number | string> =>
  Object.fromEntries(
    DEFAULT_RULES.filter(() => chance() < 0.15).map((rule) => {
      if (rule.choices) return [rule.key, pick(rule.choices, chance)];
      const [min, max] = [rule.min ?? 0, rule.max ?? 100];
      const value = pick([min, max, min + (max - min) * chance()], chance);
      return [rule.key, rule.whole ? Math.round(value) : value];
    }),
  );

const draw = (told: Told, chance: Chance, depth: number): unknown => {
  if (told.allow?.includes(null) && chance() < 0.3) return null;
  const says = told.flags?.description ?? '';
  switch (told.type) {
    case 'number':
      return number(told, chance);
    case 'boolean':
      return chance() < 0.5;
    case 'array': {
      const most = limit(told, 'max') ?? 8;
      const at = chance();
      // Sometimes none, seldom as many as fit: a list of lists stays small.
      const many =
        at < 0.1 ? 0 : at < 0.14 && depth < 2 ? most : Math.min(most, 1 + Math.floor(chance() * 6));
      return Array.from({ length: many }, () => draw(told.items![0]!, chance, depth + 1));
    }
    case 'object':
      if (!told.keys) return ruleDraw(chance);
      return Object.fromEntries(
        Object.entries(told.keys)
          .filter(([, field]) => field.flags?.presence === 'required' || chance() < 0.6)
          .map(([name, field]) => [name, draw(field, chance, depth + 1)]),
      );
    case 'alternatives':
      return draw(pick(told.matches!, chance).schema, chance, depth);
    default: {
      const choices = (told.allow ?? []).filter((v) => typeof v === 'string');
      if (told.flags?.only) return pick(choices, chance);
      if (told.rules?.some((r) => r.name === 'pattern' && r.args?.regex?.includes('\\d{4}-')))
        return pick(DATES, chance);
      return words(says, chance).slice(0, limit(told, 'max') ?? 60);
    }
  }
};

/**
 * An input that a schema takes: every optional field in or out, numbers at their ends, small and
 * anywhere between, lists empty, short and full, strings of the trade and nonsense, rules within
 * their bounds.
 */
export const drawInput = (schema: Joi.ObjectSchema, chance: Chance): unknown =>
  draw(schema.describe() as unknown as Told, chance, 0);
