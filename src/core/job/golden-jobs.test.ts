import { logOf, sampleChosen, sampleMachine, sampleWheel } from '../../../tests/sample';
import { complete, type Shop } from '../shop/records';
import { DEFAULT_UNITS, type UnitPreferences } from '../base/units';
import type { Attempt } from '../base/working';
import {
  airOutOf,
  balanceQuestion,
  beadPathOf,
  chosenFitOf,
  clampOf,
  crushOf,
  dialMarks,
  emptyJob,
  foldJob,
  gapOf,
  jobCard,
  jobReport,
  materialsOf,
  openPoints,
  orientationOf,
  partPicksOf,
  pressureStartOf,
  procedureInputOf,
  recheckDates,
  ringOf,
  ringsOf,
  rolloutOf,
  runoutOf,
  seatLadderOf,
  seatLimitOf,
  spokeRingOf,
  STATIONS,
  stepsOf,
  toolsOf,
  wantsOf,
  type EntryData,
  type JobState,
  type Shelves,
} from '.';

const TODAY = '2026-05-02';
const IMPERIAL: UnitPreferences = {
  pressure: 'bar',
  length: 'in',
  mass: 'oz',
  torque: 'lbf·ft',
  temperature: '°F',
};

const SHELF: Shop & Shelves = {
  name: 'Marl & Ash',
  people: ['Ada Marl'],
  paces: {},
  tires: [
    complete('tires', {
      id: 't',
      marking: '120/90-18 65M TT',
      pattern: 'soft',
      count: 1,
      priceMinor: 8000,
    }),
  ],
  tubes: [
    complete('tubes', {
      id: 'u',
      label: '120/90-18, 110/100-18',
      wall: 'heavy',
      count: 0,
      priceMinor: 1500,
    }),
    complete('tubes', { id: 'x', label: '3.50-10', valve: 'TR-6', count: 3, priceMinor: null }),
  ],
  strips: [
    complete('strips', {
      id: 's',
      widthMm: 28,
      rimFromIn: 18,
      rimToIn: 19,
      count: 3,
      priceMinor: 300,
    }),
    complete('strips', {
      id: 'tape',
      material: 'tape',
      widthMm: 28,
      rimFromIn: 8,
      rimToIn: 17,
      count: 1,
    }),
  ],
  locks: [complete('locks', { id: 'l', widthIn: 2.15, count: 1, priceMinor: 1200 })],
  valves: [complete('valves', { id: 'v', holeMm: 11.5, lengthMm: 43, count: 9, priceMinor: 200 })],
  weights: [
    complete('weights', { id: 'a5', massG: 5, kind: 'adhesive', count: 40 }),
    complete('weights', { id: 'c10', massG: 10, kind: 'spoke', count: 9 }),
  ],
  wrenches: [complete('wrenches', { id: 'w', name: 'long', minNm: 20, maxNm: 200 })],
  instruments: [],
};

const CHOSEN = sampleChosen();

const SHAPE: EntryData['rim-shape'] = { flangeMm: 486, wellMm: 431, wellToFlangeMm: 41 };

type Log = ReturnType<typeof logOf>;
const everyStep = (l: Log) => {
  for (const { id, station } of stepsOf(foldJob(l.log))) l.add('step', { stepId: id }, { station });
};

/**
 * Jobs of every kind of wheel, at different ends: by the book, half done, and doubtful in every
 * way.
 */
const JOBS: Record<string, () => Log> = {
  'a dirt rear wheel by the book': () => {
    const l = logOf().open(
      sampleMachine(),
      sampleWheel({ valveHoleMm: 8, lockHoleMm: 8, heavySpotDeg: 200 }),
    );
    l.add('came-off', { marking: '110/90-18', dateCode: '1523', treadMm: 4, use: 'dirt' });
    l.add('clearance', { place: 'above', mm: 30, load: 'on the stand' });
    l.add('chosen', CHOSEN, { station: 'choose' });
    everyStep(l);
    l.add('seat-reading', { gaugeKpa: 120 });
    l.add('seat-reading', { gaugeKpa: 210 });
    l.add('seated', { side: 'disc', seated: true });
    l.add('seated', { side: 'other', seated: true });
    l.add('pressure-set', { gaugeKpa: 93, shopC: 20, rideC: 15, rideKpa: 89.6 });
    l.add('rest', { restDeg: 210, from: 'left' });
    l.add('weights', {
      pieces: [
        { massG: 20, deg: 30, side: 'near' },
        { massG: 20, deg: 30, side: 'far' },
      ],
      residualG: 2,
    });
    l.add('level-test', { deg: 90, moved: 'stays' });
    l.add('level-test', { deg: 270, moved: 'stays' });
    l.add('balanced', {
      heavyMassG: 41,
      heavyDeg: 210,
      leftG: 2,
      leftDeg: 20,
      bandG: 3,
      chance: 0.97,
    });
    l.add('torqued', { fastener: 'rear axle nut', how: 'torqued', torqueNm: 100, wrench: 'long' });
    l.add('torqued', { fastener: 'rim lock nut', how: 'snug', torqueNm: null, wrench: null });
    l.add('torqued', {
      fastener: 'rear axle nut',
      how: 'torqued',
      torqueNm: 100,
      wrench: 'long',
      pass: 2,
    });
    l.add('slack', {
      when: 'before',
      placesMm: [46],
      wantMinMm: 30,
      wantMaxMm: 40,
      runMm: 580,
      pitchMm: 1.25,
    });
    l.add('slack', {
      when: 'after',
      placesMm: [34, 36],
      wantMinMm: 30,
      wantMaxMm: 40,
      runMm: 580,
      pitchMm: 1.25,
    });
    l.add('marks', { leftMm: 31, rightMm: 31, spanMm: 240, chainSide: 'left' });
    l.add('brake', { firm: true, spin: 'free' });
    l.add('test-ride', { how: 'ridden', by: 'Ada Marl', shakesAtKmh: null, found: '' });
    l.add('photo', { photoId: 'b'.repeat(64), part: 'bead', says: 'torn' });
    l.add('note', { text: 'strip was doubled' });
    l.add('handed-over', { to: 'Ned Ash' });
    return l;
  },
  'a road rear wheel, doubtful in every way': () => {
    const l = logOf().open(
      sampleMachine({
        kind: 'road',
        wheelSensors: true,
        placardFrontKpa: 230,
        placardRearKpa: 260,
      }),
      sampleWheel({
        build: 'cast',
        rimCode: 'MT3.50x18',
        tireMarking: '130/80-18',
        tube: false,
        rimLockDegs: [],
        spokes: 0,
        rimLimitKpa: 240,
        tubelessMarked: true,
      }),
    );
    l.add('came-off', { marking: '130/80-18', dateCode: '0712', treadMm: 0.9, use: 'road' });
    l.add('chosen', {
      ...CHOSEN,
      marking: '140/70-18 67V TL',
      tube: false,
      tubeId: null,
      tubeLabel: null,
      dateCode: '0119',
      tread: 'other',
      seatLimitKpa: null,
      arrows: 'none',
      parts: [],
    });
    l.add('load', { riderKg: 90, passengerKg: 70, luggageKg: 10 });
    l.add('step', { stepId: 'off-lift' }, { station: 'wheel-off' });
    l.add('trouble', { symptom: 'not-seating', curedBy: null }, { station: 'seat' });
    l.add('trouble', { symptom: 'bead-stuck', curedBy: null }, { station: 'tire-off' });
    l.add('findings', { part: 'bearing', found: [] }, { station: 'inspect' });
    l.add('findings', { part: 'tube', found: ['pinch'] }, { station: 'inspect' });
    l.add('runout', {
      readings: [0, 60, 120, 180, 240, 300].map((angleDeg, i) => ({
        angleDeg,
        lateralMm: [0, 1, 2, 2.4, 1.4, 0.4][i]!,
        radialMm: [0, 0.4, 0.8, 0.9, 0.5, 0.2][i]!,
      })),
    });
    l.add('seat-ceiling', { ceilingKpa: 300, by: 'Ada Marl', why: 'stiff hump' });
    l.add('seat-reading', { gaugeKpa: 262 });
    l.add('seated', { side: 'disc', seated: false });
    l.add('seated', { side: 'other', seated: false });
    l.add('pressure-set', { gaugeKpa: 180, shopC: 20, rideC: 20, rideKpa: 180 });
    l.add('machine-reading', { massG: 30, deg: 90, stepG: 1, stepDeg: 3 });
    l.add('weights', { pieces: [{ massG: 10, deg: 270, side: 'inner' }], residualG: 20 });
    l.add('level-test', { deg: 90, moved: 'sinks' });
    l.add('torqued', { fastener: 'rear axle nut', how: 'guess', torqueNm: null, wrench: null });
    l.add('recheck', { what: 'Chain', onDate: '2026-06-01' });
    l.add('recheck', { what: 'Pressure, cold', onDate: '2026-05-03' });
    return l;
  },
  'a scooter’s split rim, its air not out': () => {
    const l = logOf().open(
      sampleMachine({ kind: 'scooter', drive: 'hub', fasteners: [] }),
      sampleWheel({
        build: 'split',
        rimCode: '2.50x10',
        tireMarking: '3.50-10 59J',
        rimLockDegs: [],
        spokes: 0,
        discSide: 'none',
        rimBolts: 5,
        rimBoltTorqueNm: 24,
      }),
    );
    l.add('came-off', { marking: '3.50-10 59J', dateCode: null, treadMm: null, use: 'road' });
    l.add('chosen', {
      ...CHOSEN,
      marking: '3.50-10 59J',
      tubeLabel: null,
      tubeId: null,
      doubled: true,
    });
    l.add('air-out', { silent: true, gaugeKpa: 30, coreOut: false });
    l.add('ring-bolt', { ring: 'rim', pass: 1, bolt: 1, torqueNm: 24 });
    l.add('ring-bolt', { ring: 'rim', pass: 1, bolt: 3, torqueNm: 12 });
    l.add('step', { stepId: 'toff-tube' }, { station: 'tire-off' });
    l.add('pressure-set', { gaugeKpa: 60, shopC: 20, rideC: 20, rideKpa: 60 });
    l.add('weights', { pieces: [], residualG: null });
    return l;
  },
  'a drag wheel with two rings, at the second pass': () => {
    const l = logOf().open(
      sampleMachine({ kind: 'drag', drive: 'shaft', fasteners: [] }),
      sampleWheel({
        build: 'beadlock',
        position: 'left-rear',
        rimCode: '12x15',
        tireMarking: '31.0/11.5-15',
        tube: false,
        rimLockDegs: [],
        spokes: 0,
        discSide: 'none',
        rings: 2,
        ringBolts: 6,
        ringBoltSize: 'M8',
        ringBoltGrade: '8.8',
        ringTorqueNm: 30,
        stepMm: 380,
        pair: 'drag rears',
        rollouts: [{ onDate: '2026-03-01', run: 0, circumferenceMm: 2470, gaugeKpa: 41.37 }],
      }),
    );
    l.add('air-out', { silent: true, gaugeKpa: 0, coreOut: true });
    l.add('bead-measured', { side: 'outer', bundleMm: [19.9, 20.6], gapMm: [17.2] });
    l.add('ring-gap', {
      ring: 'outer',
      when: 'after the torque',
      readings: [0, 90, 180, 270].map((deg, i) => ({ deg, gapMm: [1.9, 1.2, 0.4, 1.1][i]! })),
    });
    for (let bolt = 1; bolt <= 6; bolt++)
      l.add('ring-bolt', { ring: 'outer', pass: 1, bolt, torqueNm: 30 });
    l.add('ring-bolt', { ring: 'outer', pass: 2, bolt: 1, torqueNm: 41 });
    l.add('taped', { run: 1, circumferenceMm: 2492, gaugeKpa: 41.37 });
    return l;
  },
  'a quad’s front wheel, at its first air': () => {
    const l = logOf().open(
      sampleMachine({ kind: 'quad', drive: 'shaft', placardFrontKpa: 35, placardRearKpa: null }),
      sampleWheel({
        build: 'cast',
        position: 'left-front',
        rimCode: '6x12 AT',
        tireMarking: 'AT25x8-12',
        tube: false,
        rimLockDegs: [],
        spokes: 0,
      }),
    );
    l.add('came-off', { marking: 'AT25x8-12', dateCode: '2218', treadMm: 12, use: 'trail' });
    l.add('chosen', {
      ...CHOSEN,
      marking: 'AT25x8-12',
      tube: false,
      seatLimitKpa: null,
      tread: 'four-wheel',
    });
    l.add('ground', { ground: 'soft' });
    l.add('seat-reading', { gaugeKpa: 60 });
    l.add('pop', { gaugeKpa: 60 });
    l.add('seat-again', { why: 'one side low' });
    l.add('seat-reading', { gaugeKpa: 40 });
    l.add('spoke-ring', { spokes: [{ spoke: 1, sounds: 'dull' }] });
    return l;
  },
  'a job that was only opened': () => logOf().open(),
};

const figure = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(6)) : value;
const short = (value: unknown): string => JSON.stringify(value, figure);
const answer = (found: Attempt<object> | null): string =>
  found === null
    ? 'nothing'
    : found.ok
      ? `${found.working.verdict ?? 'none'} ${short(found.working.result)}`
      : `refused: ${found.problem.message}`;

const picks = (state: JobState): string[] => {
  const { chosen, wheel } = state;
  const choice = {
    marking: chosen?.marking ?? wheel?.tireMarking ?? '',
    tube: chosen?.tube ?? false,
    tubeId: chosen?.tubeId ?? null,
    pressureKpa: null,
    tireId: chosen?.tireId ?? null,
  };
  const found = partPicksOf(state, choice, SHELF);
  if (!found) return ['no parts'];
  const wants = wantsOf(choice, found, SHELF);
  return [
    `tubes: ${short(found.tubes?.bestId ?? null)}`,
    `lock: ${short(found.lock?.result ?? null)}`,
    `strip: ${short(found.strip?.result ?? null)}`,
    `stem: ${short(found.stem?.result ?? null)}`,
    ...wants.map((w) => `wants ${short(w)}`),
    `costs ${short(materialsOf(wants, SHELF, state.rules).result)}`,
    ...(toolsOf(state, choice, SHELF)?.result.groups ?? []).map((g) => `tools: ${short(g)}`),
  ];
};

const cardLines = (state: JobState, units: UnitPreferences): string[] => {
  const card = jobCard(state, TODAY, units);
  return [
    `${card.title} | ${card.subtitle}`,
    ...card.sections.flatMap((s) =>
      s.rows.map(([label, value]) => `${s.title}: ${label}: ${value}`),
    ),
    ...card.notes.map((n) => `note: ${n}`),
  ];
};

/** The marks of a dial; of a row of bites the first three and how many there are. */
const marksText = (marks: ReturnType<typeof dialMarks>): string => {
  const bites = marks.filter((m) => m.is === 'bite');
  const shown = [...marks.filter((m) => m.is !== 'bite'), ...bites.slice(0, 3)].map((mark) =>
    Object.values(mark)
      .map((v) => (typeof v === 'number' ? Number(v.toPrecision(4)) : String(v)))
      .join(' '),
  );
  return [...shown, ...(bites.length > 3 ? [`${bites.length} bites`] : [])].join(', ');
};

const marksLines = (state: JobState): string[] =>
  STATIONS.flatMap((station) => {
    const steps = stepsOf(state, station).filter((s) => s.shows !== undefined && s.shows !== null);
    return [undefined, ...steps].map(
      (step) =>
        `${station} ${step?.id ?? '-'}: ${marksText(dialMarks(state, station, { step, bite: 2 }))}`,
    );
  });

describe.each(Object.keys(JOBS))('%s', (name) => {
  const state = foldJob(JOBS[name]!().log);
  test('its stations, card and dates', () => {
    const reports = jobReport(state, TODAY);
    expect(
      [
        ...reports.map((r) => `${r.station} ${r.fill.toFixed(3)} ${short([r.missing, r.doubts])}`),
        short(openPoints(reports)),
        ...cardLines(state, DEFAULT_UNITS),
        ...cardLines(state, IMPERIAL),
        ...recheckDates(state, TODAY).map((r) => `${r.onDate} ${r.what}`),
      ].join('\n'),
    ).toMatchSnapshot();
  });

  test('what is asked of the workings, and what they answer', () => {
    const ladder = seatLadderOf(state, [30]);
    expect(
      [
        `procedure: ${short(procedureInputOf(state))}`,
        `fit: ${short(chosenFitOf(state, TODAY)?.reasons.map((r) => r.says) ?? null)}`,
        `seat limit: ${short(seatLimitOf(state).result)}`,
        `ladder: ${ladder.verdict} ${short(ladder.result)}`,
        `pressure: ${answer(pressureStartOf(state))}`,
        `asked pressure: ${answer(pressureStartOf(state, 70))}`,
        `bead path: ${answer(beadPathOf(state, SHAPE, { farUpDeg: 40, fillMm: 4 }))}`,
        `runout: ${answer(runoutOf(state, state.runout?.readings ?? []))}`,
        `spokes: ${answer(spokeRingOf(state, state.spokeRing?.spokes ?? []))}`,
        ...(['disc', 'other'] as const).map(
          (up) => `${up} up: ${short(orientationOf(state, up, 'clockwise'))}`,
        ),
        `balance: ${short(balanceQuestion(state, SHELF.weights))}`,
        `rings: ${short(ringsOf(state))} ${short(ringOf(state))}`,
        `air out: ${answer(airOutOf(state))}`,
        `crush: ${answer(crushOf(state))}`,
        `gap: ${answer(gapOf(state, 'outer'))}`,
        `rollout: ${answer(rolloutOf(state))}`,
        `clamp: ${state.wheel ? answer(clampOf(state.wheel, state.rules)) : 'no wheel'}`,
        ...picks(state),
      ].join('\n'),
    ).toMatchSnapshot();
  });

  test('its dial at every station and step', () => {
    expect(marksLines(state).join('\n')).toMatchSnapshot();
  });
});

test('a log without a first entry has no wheel, and says so everywhere', () => {
  const state = emptyJob();
  expect(cardLines(state, DEFAULT_UNITS)).toMatchSnapshot();
  expect([
    stepsOf(state),
    ringsOf(state),
    dialMarks(state, 'hand-over'),
    procedureInputOf(state),
  ]).toEqual([[], [], [], null]);
});
