import {
  LINE_KINDS,
  lineSchema,
  SHOP_FORMAT,
  SHOP_FORMAT_VERSION,
  type LineKind,
} from '../../core/reports/exchange';
import { ENTRY_KINDS, keptEntrySchema } from '../../core/job';
import { RECORD_KINDS, recordSchema } from '../../core/shop/records';
import { jsonSchemaOf, type Json } from '../json-schema';
import { keptVisitEntrySchema, VISIT_ENTRY_KINDS } from '../../core/shop/visit';

const DRAFT = 'https://json-schema.org/draft/2019-09/schema';

const ref = (name: string): Json => ({ $ref: `#/$defs/${encodeURIComponent(name)}` });

/** The contents of a line that its own schema does not look into. */
const inside: { [K in LineKind]?: () => Json } = {
  visit: () => ({
    entries: {
      type: 'array',
      minItems: 1,
      items: { oneOf: VISIT_ENTRY_KINDS.map((k) => ref(`visit entry ${k}`)) },
    },
  }),
  job: () => ({
    entries: {
      type: 'array',
      minItems: 1,
      items: { oneOf: ENTRY_KINDS.map((k) => ref(`entry ${k}`)) },
    },
  }),
};

const lineOf = (kind: LineKind): Json => {
  const json = jsonSchemaOf(lineSchema(kind)) as Json & { properties: Json };
  return { ...json, properties: { ...json.properties, ...inside[kind]?.() } };
};

/** A line of a record of one kind. */
const recordLine = (kind: string): Json => {
  const json = lineOf('record') as Json & { properties: Json };
  return { ...json, properties: { ...json.properties, kind: { const: kind }, record: ref(kind) } };
};

let made: Json | null = null;

/**
 * The JSON Schema of each line of a shop's file, made of what checks the lines; published in
 * `docs/`.
 */
export const fileSchema = (): Json => {
  made ??= {
    $schema: DRAFT,
    title: `A line of ${SHOP_FORMAT} version ${SHOP_FORMAT_VERSION}`,
    description:
      'A zip file holds shop.ndjson, one JSON object on each line by this schema, in the order of the kinds below, and ' +
      'photographs/ID.jpg, .png or .webp, each named by the SHA-256 of its content.',
    oneOf: [
      ...LINE_KINDS.filter((k) => k !== 'record').map((k) => ref(`line ${k}`)),
      ...RECORD_KINDS.map((k) => ref(`line record ${k}`)),
    ],
    $defs: Object.fromEntries([
      ...LINE_KINDS.filter((k) => k !== 'record').map((k) => [`line ${k}`, lineOf(k)]),
      ...RECORD_KINDS.map((k) => [`line record ${k}`, recordLine(k)]),
      ...RECORD_KINDS.map((k) => [k, jsonSchemaOf(recordSchema(k))]),
      ...ENTRY_KINDS.map((k) => [`entry ${k}`, jsonSchemaOf(keptEntrySchema(k))]),
      ...VISIT_ENTRY_KINDS.map((k) => [`visit entry ${k}`, jsonSchemaOf(keptVisitEntrySchema(k))]),
    ]) as Json,
  };
  return made;
};
