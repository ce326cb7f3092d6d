import fc from 'fast-check';
import { sampleMachine, sampleWheel, problemOf } from '../../../../tests/sample';
import { complete, RECORD_KINDS, type RecordKind, type Records } from '../../../core/shop/records';
import {
  DEFAULT_UNITS,
  fromDisplay,
  toDisplay,
  type UnitPreferences,
} from '../../../core/base/units';
import { fromDraft, toDraft } from './record-draft';

/** What `useUnits` gives a screen, without the screen. */
const unitsOf = (units: UnitPreferences) => ({
  read: (typed: string, unit: Parameters<typeof fromDisplay>[1]) => {
    const clean = typed.trim().replace(',', '.');
    return /^-?\d{1,7}(\.\d{1,4})?$/.test(clean) ? fromDisplay(Number(clean), unit, units) : null;
  },
  write: (value: number, unit: Parameters<typeof toDisplay>[1], digits = 1) =>
    String(Number(toDisplay(value, unit, units).toFixed(digits))),
});
const SI = unitsOf({ ...DEFAULT_UNITS, pressure: 'kPa' });
const INCHES = unitsOf({
  pressure: 'psi',
  length: 'in',
  mass: 'oz',
  torque: 'lbf·ft',
  temperature: '°F',
});

const RECORDS: { [K in RecordKind]: Records[K] } = {
  machines: sampleMachine({ sprocketFront: 13, minSpeedSymbol: 'H', emptyFrontKg: 103.3 }),
  wheels: sampleWheel({
    valveHoleMm: 8.3,
    runouts: [{ onDate: '2026-04-30', lateralMm: 1.1, radialMm: 0.7 }],
    treads: [{ onDate: '2026-04-30', km: 1234, depthMm: 5.3 }],
  }),
  tires: complete('tires', {
    id: 't',
    marking: '110/90-19 62M TT',
    pattern: 'knobby',
    seatLimitKpa: 262.01,
    priceMinor: 8999,
  }),
  tubes: complete('tubes', { id: 'u', label: '2.75/3.00-21', flatWidthMm: 77.7 }),
  strips: complete('strips', { id: 's', widthMm: 27.9, rimFromIn: 18, rimToIn: 19 }),
  locks: complete('locks', { id: 'l', widthIn: 2.15 }),
  valves: complete('valves', { id: 'v', holeMm: 11.3, lengthMm: 43 }),
  weights: complete('weights', { id: 'g', massG: 7, kind: 'adhesive' }),
  wrenches: complete('wrenches', { id: 'w', name: 'long', minNm: 27.1, maxNm: 203.4 }),
  instruments: complete('instruments', {
    id: 'i',
    name: 'stick gauge',
    stepKpa: 3.45,
    checks: [{ onDate: '2026-04-30', appliedKpa: 100, readsKpa: 103.4 }],
  }),
};

describe.each(RECORD_KINDS)('%s', (kind) => {
  test.each([
    ['SI', SI],
    ['inches and pounds', INCHES],
  ] as const)('untouched in %s it is the very same record', (_name, units) => {
    const record = RECORDS[kind];
    const draft = toDraft(kind, record as never, units, 'USD');
    expect(
      fromDraft(
        kind,
        draft,
        { record: record as never, draft: structuredClone(draft) },
        record.id,
        units,
        'USD',
      ),
    ).toEqual(record);
  });

  test('a new one starts with its usual values and asks for the others by name', () => {
    const draft = toDraft(kind, null, SI, 'USD');
    const problem = problemOf(() =>
      fromDraft(kind, draft, { record: null, draft }, 'new', SI, 'USD'),
    );
    expect(Object.keys(draft)).toContain(problem.field.split(/[.[]/)[0]);
    expect(problem.expected.length).toBeGreaterThan(3);
  });
});

const edit = <K extends RecordKind>(
  kind: K,
  part: Record<string, unknown>,
  units = SI,
): Records[K] => {
  const record = RECORDS[kind];
  const before = toDraft(kind, record, units, 'USD');
  return fromDraft(
    kind,
    { ...before, ...part } as never,
    { record, draft: before },
    record.id,
    units,
    'USD',
  );
};

test('a field is filled with the digits that a shop measures, not with those of a conversion', () => {
  expect(toDraft('tires', RECORDS.tires, INCHES, 'USD').seatLimitKpa).toBe('38');
  expect(toDraft('wheels', RECORDS.wheels, INCHES, 'USD').valveHoleMm).toBe('0.327');
  expect(toDraft('wrenches', RECORDS.wrenches, INCHES, 'USD').minNm).toBe('19.99');
});

test('what is typed in the fitter’s units is kept in SI; the rest keeps its value', () => {
  expect(edit('tires', { seatLimitKpa: '36' }, INCHES).seatLimitKpa).toBeCloseTo(36 * 6.894757, 6);
  expect(edit('tubes', { flatWidthMm: '3,2' }, INCHES).flatWidthMm).toBeCloseTo(81.28, 6);
  expect(edit('tires', { priceMinor: '92.5' }).priceMinor).toBe(9250);
  expect(edit('tires', { priceMinor: '' }).priceMinor).toBeNull();
  expect(edit('wheels', { rimLockDegs: '7:00, 330°' }).rimLockDegs).toEqual([210, 330]);
  expect(edit('wheels', { rimLockDegs: '' }).rimLockDegs).toEqual([]);
  expect(edit('machines', { minSpeedSymbol: '' }).minSpeedSymbol).toBeNull();
  expect(
    edit('machines', {
      fasteners: [
        { name: 'axle', wheel: 'rear', torque: '', socket: ' ' },
        { name: '', wheel: 'any', torque: '', socket: '' },
      ],
    }).fasteners,
  ).toEqual([{ name: 'axle', wheel: 'rear', torqueNm: null, socket: null, renews: 'nothing' }]);
});

test.each<[RecordKind, Record<string, unknown>, string]>([
  ['tires', { marking: '110/90' }, 'marking'],
  ['tires', { priceMinor: '1.234' }, 'priceMinor'],
  ['tires', { count: '2.5' }, 'count'],
  ['tires', { seatLimitKpa: 'lots' }, 'seatLimitKpa'],
  ['tires', { pattern: '  ' }, 'pattern'],
  ['wheels', { rimLockDegs: 'top' }, 'rimLockDegs'],
  ['wheels', { treads: [{ onDate: '2026-04-30', km: 'far', depthMm: '4' }] }, 'treads'],
  [
    'machines',
    { fasteners: [{ name: 'axle', wheel: 'rear', torque: 'tight', socket: '' }] },
    'fasteners',
  ],
])('%s: %j is refused at its field', (kind, part, field) => {
  expect(problemOf(() => edit(kind, part)).field).toBe(field);
});

test('no text typed into a field throws anything but the input error', () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 30 }),
      fc.constantFrom(
        'marking',
        'pattern',
        'dateCode',
        'seatLimitKpa',
        'treadMm',
        'count',
        'priceMinor',
        'note',
      ),
      (text, key) => {
        try {
          edit('tires', { [key]: text });
        } catch (error) {
          expect((error as Error).name).toBe('InputError');
        }
      },
    ),
  );
});
