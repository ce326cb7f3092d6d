import Joi from 'joi';
import { InputError, type InputProblem } from './errors';
import type { RuleValues } from './rules/rule';
import { checkRuleValues } from './rules/rule-value';
import { UNIT_NAMES, type Unit } from './units';
import { lowerFirst } from './text-case';

/**
 * Input fields of workings, declared once and used by the route, the forms and the catalog.
 * Each carries a sentence that says what would be right.
 */

const MARKING_MAX = 40;

const expecting = (
  schema: Joi.Schema,
  expected: string,
  meta: { unit?: Unit; range?: QuantityRange } = {},
) => schema.meta({ expected, ...meta }).required();

/** A measured or chosen number in SI, `min` to `max` inclusive. */
export const quantity = (unit: Unit, min: number, max: number, label: string): Joi.Schema =>
  expecting(
    Joi.number().min(min).max(max).description(label),
    `Enter ${lowerFirst(label)}, ${min} to ${max} ${UNIT_NAMES[unit]}`,
    { unit, range: { label: lowerFirst(label), unit, min, max } },
  );

/** A whole number, `min` to `max` inclusive. */
export const count = (min: number, max: number, label: string): Joi.Schema =>
  expecting(
    Joi.number().integer().min(min).max(max).description(label),
    `Enter ${lowerFirst(label)}, a whole number from ${min} to ${max}`,
  );

/** Degrees clockwise from the valve hole, 0 to 360. */
export const angle = (label: string): Joi.Schema => quantity('deg', 0, 360, label);

/** Short text on one line. */
export const text = (max: number, label: string): Joi.StringSchema =>
  expecting(
    Joi.string().min(1).max(max).pattern(/\S/).description(label),
    `Enter ${lowerFirst(label)}, up to ${max} characters`,
  ) as Joi.StringSchema;

/** A size as it is printed on the part. */
export const marking = (label: string): Joi.Schema => text(MARKING_MAX, label);

/** True or false. */
export const boolean = (label: string): Joi.Schema =>
  expecting(Joi.boolean().description(label), `Choose ${lowerFirst(label)}: true or false`);

/** One of a few words. */
export const oneOf = (values: readonly string[], label: string): Joi.Schema =>
  expecting(
    Joi.string()
      .valid(...values)
      .description(label),
    `Choose ${lowerFirst(label)}: ${values.join(', ')}`,
  );

/** A calendar date, YYYY-MM-DD. */
export const date = (label: string): Joi.Schema =>
  expecting(
    Joi.string()
      .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
      .custom((value: string, helpers) =>
        new Date(`${value}T00:00:00Z`).toISOString().startsWith(value)
          ? value
          : helpers.error('any.invalid'),
      )
      .description(label),
    `Enter ${lowerFirst(label)}, a date such as 2026-04-30`,
  );

/** A moment, ISO 8601 in UTC to the millisecond, as `toISOString` writes it. */
export const instant = (label: string): Joi.Schema =>
  expecting(
    Joi.string()
      .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/)
      .custom((value: string, helpers) => {
        const ms = Date.parse(value);
        return Number.isFinite(ms) && new Date(ms).toISOString() === value
          ? value
          : helpers.error('any.invalid');
      })
      .description(label),
    `Enter ${lowerFirst(label)}, a time such as 2026-04-30T15:30:00.000Z`,
  );

/** A list of like things, at most `max`. */
export const listOf = (item: Joi.Schema, max: number, label: string): Joi.Schema =>
  expecting(
    Joi.array().items(item.optional()).max(max).description(label),
    `Enter ${lowerFirst(label)}, ${max} at most`,
  );

/** A list in which no two things have the same `key`: which of them is meant no one could tell. */
export const uniqueBy = (list: Joi.Schema, key: string): Joi.Schema =>
  list.custom((items: readonly Record<string, unknown>[], { state }) => {
    const keys = items.map((item) => item[key]);
    const again = keys.findIndex((k, i) => keys.indexOf(k) !== i);
    if (again >= 0)
      throw new InputError(
        pathText([...(state.path ?? []), again, key]),
        `${String(keys[again])} is listed twice.`,
        'List each one once',
      );
    return items;
  });

/** A thing with named parts. */
export const record = (parts: Record<string, Joi.Schema>, label: string): Joi.ObjectSchema =>
  Joi.object(parts)
    .description(label)
    .meta({ expected: `Enter ${lowerFirst(label)}: ${Object.keys(parts).join(', ')}` })
    .required();

/**
 * Rule values by key, each held to its rule's own bounds and choices; workings fall back to the
 * shipped defaults for those not given.
 */
export const ruleValues = (): Joi.Schema =>
  Joi.object()
    .pattern(/^[a-z][a-zA-Z0-9.-]{1,60}$/, Joi.alternatives(Joi.number(), Joi.string().max(60)))
    .custom((values: RuleValues) => {
      checkRuleValues(values);
      return values;
    })
    .description('Rule values by key')
    .meta({ expected: 'Use rule values by key, for example { "pressure.motocrossKpa": 86 }' })
    .optional();

/** Bounds of a quantity, SI. */
interface QuantityRange {
  label: string;
  unit: Unit;
  min: number;
  max: number;
}

/** The inside of a Joi schema that its browser build also has; `describe()` is left out there. */
interface Inside {
  type: string;
  $_terms: {
    metas?: { expected?: string; range?: QuantityRange }[];
    keys?: { key: string; schema: Inside }[] | null;
    items?: Inside[];
  };
  _flags: { presence?: string; description?: string };
}

const inside = (schema: Joi.Schema): Inside => schema as unknown as Inside;

/** The name of a schema's field, and what it takes. */
interface FieldReport {
  name: string;
  says: string;
  expected: string;
  required: boolean;
}

/** The fields of an object schema, for forms. */
export const fieldsOf = (schema: Joi.Schema): FieldReport[] =>
  (inside(schema).$_terms.keys ?? []).map(({ key, schema: field }) => ({
    name: key,
    says: field._flags.description ?? '',
    expected: field.$_terms.metas?.find((m) => m.expected)?.expected ?? '',
    required: field._flags.presence === 'required',
  }));

type Path = readonly (string | number)[];

/** The schemas along `path`, from the outermost; undefined beyond what the schema knows. */
const schemasAlong = (schema: Joi.Schema, path: Path): (Inside | undefined)[] => {
  let at: Inside | undefined = inside(schema);
  return path.map(
    (step) =>
      (at =
        typeof step === 'number'
          ? at?.$_terms.items?.[0]
          : at?.$_terms.keys?.find((k) => k.key === step)?.schema),
  );
};

/** The sentence of the innermost field on `path`, or of the nearest one around it. */
export const expectedAt = (schema: Joi.Schema, path: Path): string =>
  schemasAlong(schema, path).reduce(
    (expected, at) => at?.$_terms.metas?.find((m) => m.expected)?.expected ?? expected,
    'Use the fields that the catalog lists',
  );

/** The range of a quantity as a sentence that any units can be put into; nothing for other fields. */
const rangeAt = (
  schema: Joi.Schema,
  path: Path,
  message: string,
): Required<InputProblem>['inUnits'] | undefined => {
  const metas = schemasAlong(schema, path).at(-1)?.$_terms.metas;
  const range = metas?.find((m) => m.range)?.range;
  if (!range) return undefined;
  const { label, unit, min, max } = range;
  return {
    message,
    expected: `Enter ${label}, {0} to {1}`,
    quantities: [
      { value: min, unit, bound: 'min' },
      { value: max, unit, bound: 'max' },
    ],
  };
};

const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>((t, p) => (typeof p === 'number' ? `${t}[${p}]` : t ? `${t}.${p}` : p), '') ||
  'input';

/** `Object.keys(...)` pieces that a bad path may hold are never echoed beyond this length. */
const SHOWN_MAX = 60;

/**
 * The value with defaults filled in.
 * Throws `InputError` naming the first field that does not fit.
 */
export const check = <T>(schema: Joi.Schema, value: unknown): T => {
  const { error, value: clean } = schema.validate(value, { abortEarly: true, convert: false });
  if (!error) return clean as T;
  const detail = error.details[0]!;
  // A field that judges for itself says what is wrong in its own words.
  const own: unknown = detail.context?.error;
  if (own instanceof InputError) throw own;
  const field = pathText(detail.path).slice(0, SHOWN_MAX);
  const name = field.split('.').pop()!;
  const sentences: Record<string, string> = {
    'any.required': `${name} is missing.`,
    'object.unknown': `${name} is not a field here.`,
    'number.base': `${name} is not a number.`,
    'number.min': `${name} is too small.`,
    'number.max': `${name} is too large.`,
    'number.unsafe': `${name} is too large.`,
    'number.infinity': `${name} is not a finite number.`,
    'number.integer': `${name} is not a whole number.`,
    'string.empty': `${name} is empty.`,
    'string.max': `${name} is too long.`,
    'array.max': `${name} has too many items.`,
  };
  const message = sentences[detail.type] ?? `${name} is not valid.`;
  const inUnits = rangeAt(schema, detail.path, message);
  throw new InputError(field, message, expectedAt(schema, detail.path), inUnits);
};
