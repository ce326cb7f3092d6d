import type Joi from 'joi';
import type { Unit } from './units';

/** The way a field of a working is typed. */
export type FieldForm =
  | { as: 'text' | 'yes' | 'rules' }
  /** `unit` is null for a count or a bare number. */
  | { as: 'number'; unit: Unit | null }
  /** An amount, inside in the smallest coin. */
  | { as: 'money' }
  | { as: 'choice'; of: readonly string[] }
  | { as: 'list'; item: FieldForm; itemSays: string }
  | { as: 'record'; fields: readonly NamedField[] }
  /** Records of several kinds, told apart by their field `by`. */
  | { as: 'one of'; by: string; kinds: readonly { kind: string; fields: readonly NamedField[] }[] };

/** A field of a record, with its name and words. */
export interface NamedField {
  name: string;
  says: string;
  required: boolean;
  /** Left empty it is null, not left out. */
  mayBeNull: boolean;
  form: FieldForm;
}

/** The inside of a Joi schema that its browser build also has; `describe()` is left out there. */
interface Inside {
  type: string;
  $_terms: {
    metas?: { unit?: Unit }[];
    keys?: { key: string; schema: Inside }[] | null;
    items?: Inside[];
    matches?: { schema?: Inside }[];
  };
  _flags: { presence?: string; description?: string; only?: boolean };
  _valids?: { _values: Set<unknown> } | null;
}

const wordsOf = (schema: Inside): string[] =>
  [...(schema._valids?._values ?? [])].filter((v) => typeof v === 'string');

const fieldsInside = (schema: Inside): NamedField[] =>
  (schema.$_terms.keys ?? []).map(({ key, schema: field }) => ({
    name: key,
    says: field._flags.description ?? '',
    required: field._flags.presence === 'required',
    mayBeNull: field._valids?._values.has(null) ?? false,
    form: key.endsWith('Minor') ? { as: 'money' } : formInside(field),
  }));

/** Fields that tell records of several kinds apart: what a thing is, or what is done. */
const TELLING = ['kind', 'do'] as const;

const tellingOf = (schema: Inside) =>
  schema.$_terms.keys?.find(({ key }) => TELLING.some((t) => t === key));

/** The kinds of a record: each word of its telling field, with the other fields. */
const kindsInside = (schema: Inside) => {
  const telling = tellingOf(schema);
  const fields = fieldsInside(schema).filter((f) => f.name !== telling?.key);
  return (telling ? wordsOf(telling.schema) : []).map((kind) => ({ kind, fields }));
};

const formInside = (schema: Inside): FieldForm => {
  switch (schema.type) {
    case 'number':
      return { as: 'number', unit: schema.$_terms.metas?.find((m) => m.unit)?.unit ?? null };
    case 'boolean':
      return { as: 'yes' };
    case 'array': {
      const item = schema.$_terms.items![0]!;
      return { as: 'list', item: formInside(item), itemSays: item._flags.description ?? '' };
    }
    case 'object':
      return schema.$_terms.keys ? { as: 'record', fields: fieldsInside(schema) } : { as: 'rules' };
    case 'alternatives':
      return {
        as: 'one of',
        by: tellingOf(schema.$_terms.matches![0]!.schema!)?.key ?? '',
        kinds: schema.$_terms.matches!.flatMap((m) => kindsInside(m.schema!)),
      };
    default:
      return schema._flags.only ? { as: 'choice', of: wordsOf(schema) } : { as: 'text' };
  }
};

/** The fields of a working's input, down to the last list and record. */
export const formOf = (schema: Joi.ObjectSchema): readonly NamedField[] =>
  fieldsInside(schema as unknown as Inside);
