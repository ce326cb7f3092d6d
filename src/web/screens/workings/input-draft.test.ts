import fc from 'fast-check';
import { InputError } from '../../../core/base/errors';
import { formOf, type FieldForm, type NamedField } from '../../../core/base/field-form';
import {
  DEFAULT_UNITS,
  fromDisplay,
  toDisplay,
  type Unit,
  type UnitPreferences,
} from '../../../core/base/units';
import { WORKINGS } from '../../../core/workings';
import { emptyDraft, recordDraft, recordOf, type Draft, type RecordDraft } from './input-draft';

const unitsOf = (units: UnitPreferences) => ({
  read: (typed: string, unit: Unit) =>
    /^-?\d{1,7}(\.\d{1,4})?$/.test(typed) ? fromDisplay(Number(typed), unit, units) : null,
  write: (value: number, unit: Unit, digits = 1) =>
    String(Number(toDisplay(value, unit, units).toFixed(digits))),
  currency: 'USD',
});
const SI = unitsOf({ ...DEFAULT_UNITS, pressure: 'kPa' });
const INCHES = unitsOf({
  pressure: 'psi',
  length: 'in',
  mass: 'oz',
  torque: 'lbf·ft',
  temperature: '°F',
});

/** Nothing, by either word for it, is not counted. */
const given = (it: object) =>
  Object.fromEntries(Object.entries(it).filter(([, v]) => v !== null && v !== undefined));

/** A value without what is nothing, all the way down. */
const bare = (it: unknown): unknown => {
  if (Array.isArray(it)) return it.map(bare);
  if (it === null || typeof it !== 'object') return it;
  return Object.fromEntries(Object.entries(given(it)).map(([k, v]) => [k, bare(v)]));
};

/** What a working takes in full, with what it fills in by itself. */
const filledIn = (working: (typeof WORKINGS)[number], input: unknown) =>
  working.schema.validate(input, { convert: false }).value as object;

test('one number changed in a list changes that number alone', () => {
  const working = WORKINGS.find((w) => w.name === 'leak')!;
  const fields = formOf(working.schema);
  const draft = recordDraft(fields, working.example as Record<string, unknown>, INCHES);
  const typed = structuredClone(draft) as { readings: { gaugeKpa: string }[] };
  typed.readings[1]!.gaugeKpa = '30';
  const back = recordOf(fields, typed, INCHES, { draft, value: working.example }) as {
    readings: { gaugeKpa: number }[];
  };
  const before = (working.example as { readings: { gaugeKpa: number }[] }).readings;
  expect(back.readings.map((r) => r.gaugeKpa)).toEqual(
    before.map((r, i) => (i === 1 ? expect.closeTo(206.84, 2) : r.gaugeKpa)),
  );
});

describe.each(WORKINGS.map((w) => [w.name, w] as const))('%s', (_name, working) => {
  const fields = formOf(working.schema);

  test.each([
    ['SI', SI],
    ['inches and pounds', INCHES],
  ] as const)('its example goes through the form in %s and is the same input', (_units, units) => {
    const draft = recordDraft(fields, working.example as Record<string, unknown>, units);
    const back = recordOf(fields, structuredClone(draft), units, { draft, value: working.example });
    expect(bare(filledIn(working, back))).toEqual(bare(filledIn(working, working.example)));
    expect(() => working.run(back as never)).not.toThrow();
  });

  test('every field has a control of its own: nothing is typed as a notation', () => {
    const look = (field: NamedField): void => {
      expect(field.says.length).toBeGreaterThan(0);
      inside(field.form);
    };
    const inside = (form: FieldForm): void => {
      if (form.as === 'list') inside(form.item);
      else if (form.as === 'record') form.fields.forEach(look);
      else if (form.as === 'one of')
        form.kinds.forEach((k) => expect(k.kind.length).toBeGreaterThan(0));
      else if (form.as === 'choice') expect(form.of.length).toBeGreaterThan(0);
    };
    fields.forEach((f) => inside(f.form));
    fields.forEach((f) => expect(f.says.length).toBeGreaterThan(0));
  });

  test('whatever is typed gives a result or a refusal', () => {
    const typedInto = (form: FieldForm, text: string): Draft => {
      if (form.as === 'list') return [typedInto(form.item, text)];
      if (form.as === 'record')
        return Object.fromEntries(form.fields.map((f) => [f.name, typedInto(f.form, text)]));
      if (form.as === 'rules') return [{ key: text, value: text }];
      if (form.as === 'one of') return { ...(emptyDraft(form) as RecordDraft) };
      return text;
    };
    fc.assert(
      fc.property(
        fc.constantFrom('', ' ', '0', '-1', '1e9', '12,5', 'yes', '<b>', '__proto__', '９'),
        fc.nat(),
        (text, n) => {
          const field = fields[n % fields.length]!;
          const draft = {
            ...recordDraft(fields, working.example as Record<string, unknown>, SI),
            [field.name]: typedInto(field.form, text),
          };
          try {
            working.run(recordOf(fields, draft, SI) as never);
          } catch (error) {
            expect(error).toBeInstanceOf(InputError);
          }
        },
      ),
      { numRuns: 12 },
    );
  });
});

test('an amount is typed as money and asked as its smallest coin', () => {
  const working = WORKINGS.find((w) => w.name === 'estimate')!;
  const fields = formOf(working.schema);
  const draft = recordDraft(fields, { agreedMinor: 25_682 }, SI);
  expect(draft.agreedMinor).toBe('256.82');
  const typed = (text: string) => recordOf(fields, { ...draft, agreedMinor: text }, SI).agreedMinor;
  expect(typed('12.5')).toBe(1250);
  expect(typed('12')).toBe(1200);
  // What is no amount stays as it was typed, for the calculator to refuse.
  expect(typed('12.505')).toBe('12.505');
});
