import type { FieldForm, NamedField } from '../../../core/base/field-form';
import { parseMoney, writeMoney, type Unit } from '../../../core/base/units';

/** The fitter's units and the shop's currency, for a form. */
interface Units {
  read(typed: string, unit: Unit): number | null;
  write(value: number, unit: Unit, digits?: number): string;
  /** Of amounts, a code of ISO 4217. */
  currency: string;
}

/** An input as it is typed: text, lists and records of text. */
export type Draft = string | Draft[] | { [name: string]: Draft };
export type RecordDraft = { [name: string]: Draft };

/** A rule that is given, by its key. */
export interface RuleDraft extends RecordDraft {
  key: string;
  value: string;
}

/** As many as a fitter reads; what is not touched keeps its very value. */
const DIGITS = 2;
const plain = (value: number): string => String(Number(value.toFixed(DIGITS)));

/** The content of a field before anything is typed. */
export const emptyDraft = (form: FieldForm): Draft => {
  switch (form.as) {
    case 'list':
    case 'rules':
      return [];
    case 'record':
      return recordDraft(form.fields, {}, NO_UNITS);
    case 'one of':
      return { kind: form.kinds[0]!.kind, ...recordDraft(form.kinds[0]!.fields, {}, NO_UNITS) };
    default:
      return '';
  }
};
const NO_UNITS: Units = { read: () => null, write: String, currency: 'USD' };

const valueDraft = (form: FieldForm, value: unknown, units: Units): Draft => {
  if (value === undefined || value === null) return emptyDraft(form);
  switch (form.as) {
    case 'text':
    case 'choice':
      return String(value);
    case 'yes':
      return value ? 'yes' : 'no';
    case 'number':
      return form.unit ? units.write(value as number, form.unit, DIGITS) : plain(value as number);
    case 'money':
      return writeMoney(value as number, units.currency);
    case 'list':
      return (value as unknown[]).map((item) => valueDraft(form.item, item, units));
    case 'rules':
      return Object.entries(value as Record<string, unknown>).map(([key, v]) => ({
        key,
        value: String(v),
      }));
    case 'record':
      return recordDraft(form.fields, value as Record<string, unknown>, units);
    case 'one of': {
      const kind = String((value as Record<string, unknown>)[form.by]);
      return {
        kind,
        ...recordDraft(fieldsOfKind(form, kind), value as Record<string, unknown>, units),
      };
    }
  }
};

/**
 * The fields of one kind of a record that comes in several; in a draft `kind` says which, whatever
 * tells them apart.
 */
export const fieldsOfKind = (
  form: Extract<FieldForm, { as: 'one of' }>,
  kind: string,
): readonly NamedField[] => form.kinds.find((k) => k.kind === kind)?.fields ?? [];

/** A record as its form has it. */
export const recordDraft = (
  fields: readonly NamedField[],
  value: Record<string, unknown>,
  units: Units,
): RecordDraft =>
  Object.fromEntries(fields.map((f) => [f.name, valueDraft(f.form, value[f.name], units)]));

const numberOr = (text: string): number | string =>
  /^-?\d{1,9}(\.\d+)?$/.test(text) ? Number(text) : text;

const isEmpty = (draft: Draft): boolean => {
  if (typeof draft === 'string') return draft.trim() === '';
  return Array.isArray(draft) ? draft.length === 0 : Object.values(draft).every(isEmpty);
};

/** The content of a field before it was touched: its text, and the value that the text rounds. */
export interface Before {
  draft: Draft | undefined;
  value: unknown;
}

const partOf = (before: Before | undefined, name: string | number): Before | undefined => {
  const { draft, value } = before ?? {};
  if (draft === null || typeof draft !== 'object' || value === null || typeof value !== 'object')
    return undefined;
  return {
    draft: (draft as RecordDraft)[name],
    value: (value as Record<string | number, unknown>)[name],
  };
};

const isUntouched = (draft: Draft, before: Before | undefined): boolean =>
  before?.value !== undefined && JSON.stringify(draft) === JSON.stringify(before.draft);

/**
 * The typed text as a value; what was not touched keeps its very value, whatever its text rounds
 * to. Text that is no number stays text, for the working to refuse in its own words.
 */
const valueOf = (form: FieldForm, draft: Draft, units: Units, before?: Before): unknown => {
  if (isUntouched(draft, before)) return before!.value;
  switch (form.as) {
    case 'text':
    case 'choice':
      return (draft as string).trim();
    case 'yes':
      return draft === 'yes';
    case 'number': {
      const text = (draft as string).trim().replace(',', '.');
      return form.unit ? (units.read(text, form.unit) ?? text) : numberOr(text);
    }
    case 'money':
      return parseMoney(draft as string, units.currency) ?? draft;
    case 'list':
      return (draft as Draft[]).map((item, i) =>
        valueOf(form.item, item, units, partOf(before, i)),
      );
    case 'rules':
      return Object.fromEntries(
        (draft as RuleDraft[]).filter((r) => r.key).map((r) => [r.key, numberOr(r.value)]),
      );
    case 'record':
      return recordOf(form.fields, draft as RecordDraft, units, before);
    case 'one of': {
      const { kind, ...rest } = draft as RecordDraft;
      return {
        [form.by]: kind,
        ...recordOf(fieldsOfKind(form, kind as string), rest, units, before),
      };
    }
  }
};

/** A typed record as a value: what is left empty is left out, or null where that is meant. */
export const recordOf = (
  fields: readonly NamedField[],
  draft: RecordDraft,
  units: Units,
  before?: Before,
): Record<string, unknown> =>
  Object.fromEntries(
    fields.flatMap(({ name, required, mayBeNull, form }): [string, unknown][] => {
      const typed = draft[name] ?? emptyDraft(form);
      // An empty list is a list.
      if (!isEmpty(typed) || (required && form.as === 'list'))
        return [[name, valueOf(form, typed, units, partOf(before, name))]];
      return mayBeNull ? [[name, null]] : [];
    }),
  );
