import type Joi from 'joi';

/** A schema as it describes itself. */
interface Described {
  type?: string;
  flags?: { only?: boolean };
  rules?: { name: string; args?: { regex?: string } }[];
  keys?: Record<string, Described>;
  items?: Described[];
}

/** A path to a text; `*` is any place in a list. */
type Path = readonly string[];

/** The pattern of a text that is not blank, and may be anything else. */
const NOT_BLANK = '/\\S/';
const IDS = /^(id|of)$|Ids?$/;

const isFree = ({ type, flags, rules = [] }: Described): boolean =>
  type === 'string' &&
  flags?.only !== true &&
  rules.every(({ name, args }) => name !== 'pattern' || args?.regex === NOT_BLANK);

const pathsOf = (at: Described, path: Path): Path[] => [
  ...(isFree(at) ? [path] : []),
  ...Object.entries(at.keys ?? {}).flatMap(([key, of]) =>
    IDS.test(key) ? [] : pathsOf(of, [...path, key]),
  ),
  ...(at.items ?? []).flatMap((of) => pathsOf(of, [...path, '*'])),
];

/**
 * The places of a schema where someone may have written anything: no choice of words, no id, no
 * date.
 */
export const freeTexts = (schema: Joi.Schema): Path[] =>
  pathsOf(schema.describe() as Described, []);

const changedAt = (
  value: unknown,
  [step, ...rest]: Path,
  change: (text: string) => string,
): unknown => {
  if (step === undefined) return typeof value === 'string' ? change(value) : value;
  if (step === '*')
    return Array.isArray(value) ? value.map((v) => changedAt(v, rest, change)) : value;
  if (value === null || typeof value !== 'object' || !(step in value)) return value;
  return { ...value, [step]: changedAt((value as Record<string, unknown>)[step], rest, change) };
};

/** The value with its free texts changed. */
export const textsChanged = <T>(
  value: T,
  paths: readonly Path[],
  change: (text: string) => string,
): T => paths.reduce<unknown>((now, path) => changedAt(now, path, change), value) as T;
