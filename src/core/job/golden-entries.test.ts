import { sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';
import { tryInput } from '../base/errors';
import { DEFAULT_UNITS, type UnitPreferences } from '../base/units';
import { checkEntryBody, entryText, type Entry, type EntryData, type EntryKind } from '.';

const PHOTO = 'a'.repeat(64);
const CHOSEN = sampleChosen({
  tubeLabel: '110/100-18',
  parts: [{ what: 'tire', count: 1, stockId: 't' }],
});
const SET: EntryData['pressure-set'] = { gaugeKpa: 92, shopC: 22, rideC: 8, rideKpa: 85 };

/** Every kind of entry, each of its turns of phrase once. */
const SAID: { [K in EntryKind]: EntryData[K][] } = {
  opened: [{ machine: sampleMachine(), wheel: sampleWheel(), rider: 'Ned Ash' }],
  rules: [{ values: {} }],
  'came-off': [
    { marking: '110/90-18', dateCode: '4419', treadMm: 2.4, use: 'dirt', treadBy: 'bench caliper' },
    { marking: '110/90-18', dateCode: null, treadMm: null, use: 'road' },
  ],
  clearance: [{ place: 'above', mm: 31, load: 'on the stand' }],
  chosen: [
    CHOSEN,
    { ...CHOSEN, doubled: true, dateCode: null },
    { ...CHOSEN, tubeLabel: null },
    { ...CHOSEN, tube: false, tubeLabel: null },
  ],
  school: [{ school: 'bead.break', value: 'shoe breaker' }],
  load: [{ riderKg: 82, passengerKg: 0, luggageKg: 12 }],
  step: [{ stepId: 'off-lift' }, { stepId: 'gone' }],
  findings: [
    { part: 'tube', found: ['pinch', 'chafe'] },
    { part: 'bearing', found: [] },
  ],
  photo: [
    { photoId: PHOTO, part: 'bead', says: 'torn at five' },
    { photoId: PHOTO, part: null, says: '' },
    { photoId: PHOTO, part: null, says: 'how it came' },
  ],
  trouble: [
    { symptom: 'bead-stuck', curedBy: null },
    { symptom: 'bead-stuck', curedBy: 'soap' },
  ],
  'rim-shape': [{ flangeMm: 486, wellMm: 431, wellToFlangeMm: 41 }],
  runout: [
    {
      readings: [
        { angleDeg: 0, lateralMm: 0.4, radialMm: 0.1 },
        { angleDeg: 90, lateralMm: -0.3 },
        { angleDeg: 180, radialMm: 0.9 },
      ],
      device: 'indicator',
    },
    { readings: [{ angleDeg: 0, lateralMm: 1 }] },
    { readings: [] },
  ],
  'spoke-ring': [
    {
      spokes: [
        { spoke: 3, sounds: 'dull' },
        { spoke: 9, sounds: 'clear' },
        { spoke: 11, sounds: 'dull' },
      ],
    },
    { spokes: [{ spoke: 1, sounds: 'clear' }] },
  ],
  'nipples-turned': [
    {
      turned: [
        { spoke: 9, eighths: -2 },
        { spoke: 10, eighths: 4 },
        { spoke: 11, eighths: 9 },
      ],
      firstTo: 'other side',
    },
  ],
  'bead-measured': [
    { side: 'inner', bundleMm: [20, 20.25], gapMm: [17.5], device: 'caliper' },
    { side: 'outer', bundleMm: [19.5], gapMm: [16.9] },
  ],
  'ring-gap': [
    {
      ring: 'inner',
      when: 'before the torque',
      readings: [
        { deg: 0, gapMm: 2.5 },
        { deg: 180, gapMm: 1.25 },
      ],
    },
    { ring: 'outer', when: 'after the torque', readings: [{ deg: 0, gapMm: 0 }] },
  ],
  'ring-set': [
    { bolts: 16, torqueNm: 24 },
    { bolts: 5, torqueNm: null },
  ],
  'ring-bolt': [
    { ring: 'inner', pass: 1, bolt: 3, torqueNm: 24, device: 'click' },
    { ring: 'outer', pass: 2, bolt: 4, torqueNm: null },
    { ring: 'rim', pass: 2, bolt: 5, torqueNm: 18 },
  ],
  'air-out': [
    { silent: true, gaugeKpa: 0, coreOut: true, device: 'hose' },
    { silent: false, gaugeKpa: null, coreOut: false },
  ],
  taped: [
    { run: 0, circumferenceMm: 2488, gaugeKpa: 40 },
    { run: 2, circumferenceMm: 2511, gaugeKpa: 40, device: 'tape' },
  ],
  note: [{ text: 'dry bead' }],
  'seat-reading': [{ gaugeKpa: 150 }, { gaugeKpa: 150, device: 'hose' }],
  pop: [{ gaugeKpa: 190, device: 'hose' }],
  'molded-line': [
    { side: 'disc', deg: 90, even: true },
    { side: 'other', deg: 90, even: false },
  ],
  'seat-ceiling': [{ ceilingKpa: 340, by: 'Ada Marl', why: 'stiff hump' }],
  seated: [
    { side: 'disc', seated: true },
    { side: 'other', seated: false },
  ],
  'seat-again': [{ why: 'dry' }],
  ground: [{ ground: 'soft' }],
  'pressure-set': [
    SET,
    { ...SET, shopM: 1200, rideM: 200, gauge: 'stick', second: { gauge: 'hose', gaugeKpa: 90 } },
    { ...SET, shopM: 300, rideM: 300 },
  ],
  'balance-hint': [{ massG: 34, deg: 200, jobId: 'j', onDate: '2026-02-01' }],
  rest: [{ restDeg: 204 }, { restDeg: 204, from: 'left', device: 'stand' }],
  trial: [{ pieces: [] }, { pieces: [{ massG: 20, deg: 30, side: 'near' }] }],
  weights: [
    { pieces: [], residualG: null },
    {
      pieces: [
        { massG: 20, deg: 30, side: 'near' },
        { massG: 20, deg: 30, side: 'far' },
        { massG: 5, deg: 100, side: 'inner' },
      ],
      residualG: 1.5,
    },
  ],
  'level-test': [{ deg: 90, moved: 'stays' }],
  swing: [{ periodS: 4.5 }],
  'machine-reading': [{ massG: 40, deg: 90, stepG: 1, stepDeg: 3 }],
  balanced: [{ heavyMassG: 40, heavyDeg: 200, leftG: 2, leftDeg: 10, bandG: 3, chance: 0.97 }],
  'balance-again': [{ why: 'tire turned on the rim' }],
  'trial-rest': [{ trialMassG: 20, trialDeg: 30, restDeg: 120 }],
  'level-check': [{ clock: 3, moved: 'sinks' }],
  torqued: [
    {
      fastener: 'axle nut',
      how: 'torqued',
      torqueNm: 100,
      wrench: 'long click',
      device: 'long click',
    },
    { fastener: 'lock nut', how: 'snug', torqueNm: null, wrench: null },
    {
      fastener: 'axle nut',
      how: 'torqued',
      torqueNm: 100,
      wrench: 'long click',
      pass: 2,
      thread: 'anti-seize',
    },
    { fastener: 'far nut', how: 'torqued', torqueNm: 60, wrench: 'long click', extensionMm: 120 },
  ],
  steps: [{ stepIds: ['off-lift', 'off-out'] }],
  slack: [
    { when: 'before', placesMm: [42], wantMinMm: 25, wantMaxMm: 35, runMm: 560, pitchMm: null },
    {
      when: 'after',
      placesMm: [31, 29.5, 33],
      wantMinMm: 25,
      wantMaxMm: 35,
      runMm: 560,
      pitchMm: 1.25,
    },
  ],
  marks: [{ leftMm: 31.5, rightMm: 30, spanMm: 240, chainSide: 'left' }],
  string: [
    {
      gapsMm: { leftFront: 19, leftRear: 18.5, rightFront: 14, rightRear: 14.5 },
      wheelbaseMm: 1410,
      spanMm: 240,
      chainSide: 'left',
    },
  ],
  brake: [
    { firm: true, spin: 'free' },
    { firm: false, spin: 'at one place' },
    { firm: true, spin: 'all round', pullN: 9, freePullN: 3, radiusMm: 310 },
  ],
  'sensor-gap': [
    {
      readings: [0, 120, 240].map((deg, i) => ({ deg, gapMm: 0.6 + i / 10 })),
      wantMinMm: 0.4,
      wantMaxMm: null,
    },
  ],
  'disc-runout': [
    {
      readings: [0, 60, 120, 180, 240, 300].map((angleDeg, i) => ({
        angleDeg,
        lateralMm: i % 2 ? 0.06 : -0.02,
      })),
      limitMm: 0.25,
      device: 'dial',
    },
  ],
  'test-ride': [
    { how: 'ridden', by: 'Ada Marl', shakesAtKmh: null, found: '' },
    { how: 'not good', by: 'Ada Marl', shakesAtKmh: 95, found: 'pulls left' },
    { how: 'refused', by: 'Ned Ash', shakesAtKmh: null, found: '' },
  ],
  declined: [{ what: 'Inspect: new bearings.', by: 'Ned Ash' }],
  odometer: [{ km: 12_480 }],
  taught: [
    { done: true, found: 'lamp went out' },
    { done: false, found: '' },
  ],
  recheck: [{ what: 'Pressure, cold', onDate: '2026-05-01' }],
  'looked-again': [
    { what: 'Pressure, cold', good: true, found: '', gaugeKpa: 89, tempC: 18, device: null },
    { what: 'Tire age', good: false, found: 'cracks at the bead', gaugeKpa: null, tempC: null },
  ],
  'handed-over': [
    { to: 'Ned Ash' },
    {
      to: 'Ned Ash',
      despite: { by: 'Ada Marl', why: 'he takes it on a trailer' },
      oldTire: 'kept',
    },
  ],
  undo: [{ entryId: 'e4' }],
};

const OTHER_UNITS: UnitPreferences = {
  pressure: 'kPa',
  length: 'in',
  mass: 'oz',
  torque: 'lbf·ft',
  temperature: '°F',
};

const entryOf = (kind: EntryKind, data: object): Entry =>
  ({
    id: 'e9',
    seq: 9,
    at: '2026-04-30T09:00:09.000Z',
    who: 'Ada Marl',
    station: 'inspect',
    kind,
    data,
  }) as Entry;

/** What a client brings: other kinds only the server writes, or an earlier program did. */
const isBrought = (kind: string): boolean =>
  !['opened', 'rules', 'trial-rest', 'level-check'].includes(kind);

/** What the log says, word for word, in two sets of units. */
describe.each(Object.keys(SAID) as EntryKind[])('the log of %s', (kind) => {
  const steps = new Map([['off-lift', 'Lift it.']]);
  test('says', () => {
    const said = SAID[kind].flatMap((data) =>
      [DEFAULT_UNITS, OTHER_UNITS].map((units) => entryText(entryOf(kind, data), units, steps)),
    );
    expect(said.join('\n')).toMatchSnapshot();
  });

  test('every example of it is an entry that the log takes', () => {
    for (const data of isBrought(kind) ? SAID[kind] : []) {
      const { seq: _s, at: _a, ...body } = entryOf(kind, data);
      expect(() => checkEntryBody(body)).not.toThrow();
    }
  });
});

/** What may be brought for a field, and what may not. */
const PROBES = [
  null,
  '',
  ' ',
  -1,
  0,
  0.5,
  1,
  3,
  400,
  1e9,
  Number.NaN,
  true,
  'other',
  '2026-02-30',
  [],
  [0],
  {},
] as const;

test('what each field takes, and what it says would be right where it does not', () => {
  const judged = Object.entries(SAID)
    .filter(([kind]) => isBrought(kind))
    .flatMap(([kind, all]) => {
      const data = all[0] as unknown as Record<string, unknown>;
      const taken = (more: object): string | null => {
        const problem = tryInput(() =>
          checkEntryBody({
            id: 'e',
            who: 'Ada Marl',
            station: 'inspect',
            kind,
            data: { ...data, ...more },
          }),
        );
        return problem.ok ? null : problem.problem.expected;
      };
      expect([kind, taken({})]).toEqual([kind, null]);
      return Object.keys(data).map((field) => {
        const refusals = PROBES.map((probe) => taken({ [field]: probe }));
        const marks = refusals.map((r) => (r === null ? '+' : '-')).join('');
        return `${kind}.${field} ${marks} ${[...new Set(refusals.filter((r) => r !== null))].join(' | ')}`;
      });
    });
  expect(judged).toMatchSnapshot();
});
