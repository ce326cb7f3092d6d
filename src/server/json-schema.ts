import type Joi from 'joi';
import parseJoi from 'joi-to-json';

export type Json = Record<string, unknown>;

/** The parts that the converter overlooks, as `describe` tells them. */
interface Described {
  type?: string;
  allow?: unknown[];
  keys?: Record<string, Described>;
  items?: Described[];
}

/**
 * An empty text that is allowed beside what a text is held to; a pattern of keys that stands among
 * the names.
 */
const mended = (json: Json, described: Described): Json => {
  const properties = json.properties as Record<string, Json> | undefined;
  const whole: Json = {
    ...json,
    ...(properties && {
      properties: Object.fromEntries(
        Object.entries(properties)
          .filter(([key]) => !key.startsWith('/'))
          .map(([key, of]) => [key, mended(of, described.keys?.[key] ?? {})]),
      ),
    }),
    ...(described.items?.length === 1 && {
      items: mended(json.items as Json, described.items[0]!),
    }),
  };
  const isEmptyToo = described.type === 'string' && described.allow?.includes('') === true;
  return isEmptyToo ? { anyOf: [{ const: '' }, whole] } : whole;
};

/** A Joi schema as JSON Schema, draft 2019-09, without the word that says so. */
export const jsonSchemaOf = (schema: Joi.Schema): Json => {
  const { $schema: _draft, ...json } = parseJoi(schema, 'json-draft-2019-09') as Json;
  return mended(json, schema.describe() as Described);
};
