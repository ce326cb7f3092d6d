import fc from 'fast-check';
import { InputError } from '../../base/errors';
import {
  checkRecord,
  complete,
  fieldsOfKind,
  fileColumns,
  fromCells,
  planImport,
  RECORD_KINDS,
  SPECS,
  toCells,
  type Field,
  type RecordKind,
} from '.';
import { sampleMachine, sampleWheel } from '../../../../tests/sample';

/** A fitting value for a field. */
const valueOf = ({ form, may }: Field): fc.Arbitrary<unknown> => {
  const rounded = (min: number, max: number) =>
    fc.integer({ min: Math.ceil(min * 10), max: Math.floor(max * 10) }).map((v) => v / 10);
  const word = fc.stringMatching(/^[A-Za-z=+@-][A-Za-z ,"'.]{0,18}[a-z]$/);
  const plain = (): fc.Arbitrary<unknown> => {
    switch (form.as) {
      case 'text':
        return word;
      case 'size':
        return fc.constantFrom('110/90-19 62M TT', '3.00-21', '25x8-12 NHS', 'MT90B16 72H');
      case 'tube-label':
        return fc.constantFrom('2.75/3.00-21', '100/100-18, 110/90-18');
      case 'rim-code':
        return fc.constantFrom('2.15x19', 'MT3.50x17', '12x6.0 AT');
      case 'date-code':
        return fc.constantFrom('1523', '0126', '159');
      case 'date':
        return fc.constantFrom('2026-04-30', '2025-12-01');
      case 'yes':
        return fc.boolean();
      case 'choice':
        return fc.constantFrom(...form.of);
      case 'whole':
        return fc.integer({ min: form.min, max: form.max });
      case 'money':
        return fc.integer({ min: 0, max: 999_999 });
      case 'quantity':
        return rounded(form.min, form.max);
      case 'places':
        return fc
          .uniqueArray(fc.integer({ min: 1, max: 23 }), { maxLength: 3 })
          .map((at) => at.map((n) => 14.5 * n));
      case 'machine':
        return fc.constant('m');
      case 'fasteners':
        return fc.array(
          fc.record({
            name: fc.constantFrom('rear axle nut', 'pinch bolts'),
            wheel: fc.constantFrom('front', 'rear', 'any'),
            torqueNm: fc.option(rounded(1, 200)),
            socket: fc.option(fc.constantFrom('27 mm', '6 mm hex')),
          }),
          { maxLength: 4 },
        );
      case 'dated':
        return fc.array(
          fc.record({
            onDate: fc.constantFrom('2026-04-30', '2025-12-01'),
            ...Object.fromEntries(
              form.of.map((n) => [
                n.key,
                n.unit === null
                  ? fc.integer({ min: n.min, max: n.max })
                  : rounded(n.min, Math.min(n.max, 900)),
              ]),
            ),
          }),
          { maxLength: 3 },
        );
    }
  };
  return may ? fc.option(plain()) : plain();
};

const recordOf = (kind: RecordKind): fc.Arbitrary<Record<string, unknown>> =>
  fc
    .record({
      id: fc.stringMatching(/^[\w-]{1,20}$/),
      archived: fc.boolean(),
      ...Object.fromEntries(fieldsOfKind(kind).map((f) => [f.key, valueOf(f)])),
    })
    .map((r: Record<string, unknown>) => {
      if (kind === 'wrenches') return { ...r, minNm: 5, maxNm: 50 };
      if (kind === 'strips') return { ...r, rimFromIn: 18, rimToIn: 19 };
      return kind === 'tires' && r.takeOff ? { ...r, treadMm: 4 } : r;
    });

describe.each(RECORD_KINDS)('%s', (kind) => {
  test('any record goes into a row of cells and comes back as it was', () => {
    fc.assert(
      fc.property(recordOf(kind), (raw) => {
        const it = checkRecord(kind, raw);
        const cells = Object.fromEntries(
          toCells(kind, it).map((c, i) => [fileColumns(kind)[i]!, c]),
        );
        expect(fromCells(kind, cells, 'new')).toEqual({ record: it, problems: [] });
      }),
      { numRuns: 60 },
    );
  });

  test('its fields are named once, have words, and their usual values fit', () => {
    const fields = fieldsOfKind(kind);
    expect(new Set(fields.map((f) => f.key)).size).toBe(fields.length);
    expect(fields.some((f) => f.listed)).toBe(true);
    expect(SPECS[kind].many.length).toBeGreaterThan(3);
    for (const f of fields) expect(f.label.length).toBeGreaterThan(1);
  });
});

describe('a record from outside', () => {
  test('of an earlier program gets the usual values', () => {
    const { socket: _s, ...fastener } = sampleMachine().fasteners[0]!;
    const old = {
      id: 'm',
      name: 'Hob 250',
      kind: 'dirt',
      rider: 'Ned Ash',
      drive: 'chain',
      placardFrontKpa: null,
      placardRearKpa: 220,
      fasteners: [fastener],
    };
    expect(checkRecord('machines', old)).toMatchObject({
      wheelSensors: false,
      archived: false,
      version: 1,
      note: '',
      fasteners: [{ socket: null }],
    });
    expect(complete('wheels', { id: 'w' })).toMatchObject({
      tubelessMarked: false,
      runouts: [],
      rimLockDegs: [],
    });
  });

  test.each<[RecordKind, object, string, RegExp]>([
    [
      'tires',
      { id: 'a', marking: '110/90', pattern: 'knobby' },
      'marking',
      /stops before the rim diameter/,
    ],
    ['tubes', { id: 'a', label: 'big' }, 'label', /is not a tube label/],
    ['wheels', { ...sampleWheel(), rimCode: 'round' }, 'rimCode', /is not a rim code/],
    ['wrenches', { id: 'a', name: 'w', minNm: 50, maxNm: 10 }, 'maxNm', /not above the lowest/],
    ['strips', { id: 'a', widthMm: 20, rimFromIn: 19, rimToIn: 18 }, 'rimToIn', /runs backwards/],
    [
      'tires',
      { id: 'a', marking: '110/90-19', pattern: 'used', takeOff: true },
      'treadMm',
      /no depth/,
    ],
    ['locks', { id: 'a', widthIn: 99 }, 'widthIn', /too large/],
    ['weights', { id: 'no spaces', massG: 5, kind: 'spoke' }, 'id', /./],
    ['machines', { ...sampleMachine(), horns: 2 }, 'horns', /not a field/],
  ])('%s: %j is refused at its field', (kind, value, field, says) => {
    expect(() => checkRecord(kind, value)).toThrow(
      expect.objectContaining({ field, message: expect.stringMatching(says) }),
    );
    expect(() => checkRecord(kind, value)).toThrow(InputError);
  });
});

describe('taking in a file', () => {
  const have = [
    complete('tubes', { id: 'a', label: '2.75/3.00-21', count: 3 }),
    complete('tubes', { id: 'b', label: '100/90-19', count: 1 }),
  ];
  let n = 0;
  const plan = (rows: string[][]) =>
    planImport('tubes', rows, have, {
      needed: ['label'],
      machineIds: new Set(),
      newId: () => `new-${++n}`,
    });

  test('adds what is new, changes what differs, leaves what is the same', () => {
    const { rows, add, change } = plan([
      ['id', 'label', 'count'],
      ['a', '2.75/3.00-21', '3'],
      ['b', '100/90-19', '7'],
      ['', '110/90-18', '2'],
    ]);
    expect(rows.map((r) => [r.line, r.does])).toEqual([
      [2, 'nothing'],
      [3, 'change'],
      [4, 'add'],
    ]);
    expect(change).toMatchObject([{ id: 'b', count: 7, version: 1 }]);
    expect(add).toMatchObject([{ label: '110/90-18', count: 2, wall: 'standard' }]);
  });

  test('every fault of every row at once, each with its column and what would be right', () => {
    const { rows } = plan([
      ['id', 'label', 'count', 'wall'],
      ['', 'big', 'many', 'steel'],
      ['', '110/90-18', '-1', ''],
      ['c', '110/90-18', '1', ''],
      ['c', '110/90-18', '1', ''],
    ]);
    expect(rows.map((r) => [r.does, r.problems.map((p) => p.column)])).toEqual([
      ['faulty', ['label', 'wall', 'count']],
      ['faulty', ['count']],
      ['add', []],
      ['faulty', ['id']],
    ]);
    expect(rows[3]!.problems[0]!.message).toBe('c stands on line 4 too.');
    for (const p of rows.flatMap((r) => r.problems)) expect(p.expected.length).toBeGreaterThan(3);
  });

  test.each([
    [
      [
        ['label', 'colour'],
        ['110/90-18', 'red'],
      ],
      /"colour" is not a column/,
    ],
    [[['count'], ['1']], /column label is missing/],
    [
      [
        ['label', 'label'],
        ['110/90-18', '110/90-18'],
      ],
      /is listed twice/,
    ],
  ])('%j: wrong with the file as a whole', (rows, says) => {
    const done = plan(rows);
    expect(done.problems.map((p) => p.message).join()).toMatch(says);
    expect([done.rows, done.add, done.change]).toEqual([[], [], []]);
  });

  test('a wheel of no machine is faulty, and so is a row with too many cells', () => {
    const wheel = toCells('wheels', sampleWheel({ machineId: 'gone' }));
    const header = fileColumns('wheels');
    const done = planImport(
      'wheels',
      [header, wheel, [...toCells('wheels', sampleWheel({ id: 'w2' })), 'more']],
      [],
      { needed: [], machineIds: new Set(['m']), newId: () => 'x' },
    );
    expect(done.rows.map((r) => r.problems.map((p) => p.column))).toEqual([
      ['machine_id'],
      ['row'],
    ]);
  });
});
