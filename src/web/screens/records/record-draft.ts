import { InputError } from '../../../core/base/errors';
import {
  checkRecord,
  complete,
  fieldsOfKind,
  parsePlaces,
  placesText,
  type Dated,
  type Field,
  type RecordKind,
  type Records,
} from '../../../core/shop/records';
import { parseMoney, writeMoney, type Unit } from '../../../core/base/units';
import type { Fastener } from '../../../core/fit/wheels';
import type { useUnits } from '../../shared/quantity';

type Units = Pick<ReturnType<typeof useUnits>, 'read' | 'write'>;

/** Torque and dated measurements as typed. */
export interface FastenerDraft {
  name: string;
  wheel: Fastener['wheel'];
  torque: string;
  socket: string;
  renews: NonNullable<Fastener['renews']>;
}
export type DatedDraft = { onDate: string } & Record<string, string>;
export type FieldDraft = string | FastenerDraft[] | DatedDraft[];
/** A record as it is typed: text by field. */
export type RecordDraft = Record<string, FieldDraft>;

/** Enough for what is measured in a shop; a field that is not touched keeps its very value. */
const digitsOf = (unit: Unit): number => (unit === 'mm' ? 3 : 2);
const writeDated = (value: number, unit: Unit | null, units: Units): string =>
  unit === null ? String(value) : units.write(value, unit, digitsOf(unit));
const readWhole = (text: string): number | null =>
  /^-?\d{1,6}$/.test(text.trim()) ? Number(text) : null;

/** A field's value as text, in the fitter's units. */
const draftOf = (
  { form, usual, may }: Field,
  value: unknown,
  units: Units,
  currency: string,
): FieldDraft => {
  if (form.as === 'fasteners')
    return ((value ?? []) as Fastener[]).map((f) => ({
      name: f.name,
      wheel: f.wheel,
      torque: f.torqueNm === null ? '' : units.write(f.torqueNm, 'Nm', 2),
      socket: f.socket ?? '',
      renews: f.renews ?? 'nothing',
    }));
  if (form.as === 'dated')
    return ((value ?? []) as Dated[]).map((r) => ({
      onDate: r.onDate,
      ...Object.fromEntries(
        form.of.map((n) => [n.key, writeDated(Number(r[n.key]), n.unit, units)]),
      ),
    }));
  if (form.as === 'yes') return (value ?? usual) ? 'yes' : 'no';
  if (form.as === 'choice') return String(value ?? usual ?? (may ? '' : form.of[0]));
  if (value === null || value === undefined) return '';
  if (form.as === 'places') return placesText(value as number[]);
  if (form.as === 'money') return writeMoney(value as number, currency);
  if (form.as === 'quantity') return units.write(value as number, form.unit, digitsOf(form.unit));
  return String(value);
};

/** A record as text, field by field; a new one with its usual values. */
export const toDraft = (
  kind: RecordKind,
  record: Records[RecordKind] | null,
  units: Units,
  currency: string,
): RecordDraft => {
  const from = (record ?? complete(kind, {})) as unknown as Record<string, unknown>;
  return Object.fromEntries(
    fieldsOfKind(kind).map((f) => [
      f.key,
      f.may && f.form.as === 'choice' && (from[f.key] ?? null) === null
        ? ''
        : draftOf(f, from[f.key], units, currency),
    ]),
  );
};

const number = (field: Field, text: string, value: number | null): number => {
  if (value === null)
    throw new InputError(
      field.key,
      `${field.label}: "${text.slice(0, 20)}" is not a number.`,
      'Enter a number, with a point or a comma',
    );
  return value;
};

/** A field's value as it was typed. Throws `InputError` naming the field. */
export const valueOf = (
  field: Field,
  draft: FieldDraft,
  units: Units,
  currency: string,
): unknown => {
  const { form } = field;
  if (form.as === 'fasteners')
    return (draft as FastenerDraft[])
      .filter((f) => f.name.trim() || f.torque.trim())
      .map((f) => ({
        name: f.name.trim(),
        wheel: f.wheel,
        torqueNm: f.torque.trim() ? number(field, f.torque, units.read(f.torque, 'Nm')) : null,
        socket: f.socket.trim() || null,
        renews: f.renews,
      }));
  if (form.as === 'dated')
    return (draft as DatedDraft[])
      .filter((r) => Object.values(r).some((text) => text.trim()))
      .map((r) => ({
        onDate: r.onDate,
        ...Object.fromEntries(
          form.of.map((n) => {
            const text = r[n.key] ?? '';
            return [
              n.key,
              number(field, text, n.unit === null ? readWhole(text) : units.read(text, n.unit)),
            ];
          }),
        ),
      }));
  const text = (draft as string).trim();
  if (form.as === 'places') {
    try {
      return parsePlaces(text);
    } catch (error) {
      if (error instanceof InputError)
        throw new InputError(field.key, error.message, error.expected);
      throw error;
    }
  }
  if (form.as === 'yes') return text === 'yes';
  if (text === '') {
    if (field.may) return null;
    if (field.usual === '') return '';
    throw new InputError(
      field.key,
      `${field.label} is empty.`,
      form.as === 'quantity' || form.as === 'whole' ? 'Enter a number' : 'Enter some text',
    );
  }
  if (form.as === 'money') {
    const minor = parseMoney(text, currency);
    if (minor === null)
      throw new InputError(
        field.key,
        `${field.label}: "${text.slice(0, 20)}" is not a price.`,
        'Enter an amount such as 12.50',
      );
    return minor;
  }
  if (form.as === 'whole') return number(field, text, readWhole(text));
  if (form.as === 'quantity') return number(field, text, units.read(text, form.unit));
  return text;
};

/**
 * The record that was typed. A field whose text was not touched keeps its very value, whatever the
 * units round to. Throws `InputError` naming the field.
 */
export const fromDraft = <K extends RecordKind>(
  kind: K,
  draft: RecordDraft,
  before: { record: Records[K] | null; draft: RecordDraft },
  id: string,
  units: Units,
  currency: string,
): Records[K] => {
  const typed: Record<string, unknown> = {};
  for (const field of fieldsOfKind(kind)) {
    const text = draft[field.key]!;
    const kept =
      before.record !== null && JSON.stringify(text) === JSON.stringify(before.draft[field.key]);
    typed[field.key] = kept
      ? (before.record as unknown as Record<string, unknown>)[field.key]
      : valueOf(field, text, units, currency);
  }
  return checkRecord(kind, {
    id,
    archived: before.record?.archived ?? false,
    version: before.record?.version ?? 1,
    ...typed,
  });
};
