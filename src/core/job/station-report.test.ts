import { DEFAULT_UNITS } from '../base/units';
import {
  checkEntryBody,
  dialMarks,
  ENTRY_KINDS,
  entryText,
  fastenersOf,
  foldJob,
  jobCard,
  jobReport,
  openPoints,
  pressureStartOf,
  recheckDates,
  seatLimitOf,
  stationReport,
  STATIONS,
  stepsOf,
  type Entry,
  type EntryData,
} from '.';
import { logOf, sampleMachine, sampleWheel } from '../../../tests/sample';

const TODAY = '2026-04-30';
const chosen: EntryData['chosen'] = {
  marking: '110/90-18 61M TT',
  dateCode: '0526',
  tireId: null,
  tube: true,
  tubeId: 't',
  tubeLabel: '110/90-18',
  lightMark: true,
  seatLimitKpa: 260,
  tread: 'soft',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  doubled: false,
  parts: [
    { what: 'tire 110/90-18 61M TT', count: 1, stockId: null },
    { what: 'rim strip', count: 2, stockId: 's' },
  ],
};

/** A job done by the book. */
const wholeJob = () => {
  const l = logOf().open();
  l.add('came-off', { marking: '110/90-18', dateCode: '1523', treadMm: 4, use: 'dirt' });
  l.add('chosen', chosen, { station: 'choose' });
  for (const { id, station } of stepsOf(foldJob(l.log))) l.add('step', { stepId: id }, { station });
  l.add('seat-reading', { gaugeKpa: 200 }, { station: 'seat' });
  l.add('seated', { side: 'disc', seated: true }, { station: 'seat' });
  l.add('seated', { side: 'other', seated: true }, { station: 'seat' });
  l.add('pressure-set', { gaugeKpa: 93, shopC: 20, rideC: 15, rideKpa: 89.63 }, { station: 'set' });
  l.add('rest', { restDeg: 210 }, { station: 'balance' });
  l.add('trial-rest', { trialMassG: 20, trialDeg: 300, restDeg: 236.57 }, { station: 'balance' });
  l.add(
    'weights',
    {
      pieces: [
        { massG: 20, deg: 25, side: 'near' },
        { massG: 20, deg: 25, side: 'far' },
      ],
      residualG: 3.5,
    },
    { station: 'balance' },
  );
  l.add('level-check', { clock: 3, moved: 'stays' }, { station: 'balance' });
  l.add('level-check', { clock: 9, moved: 'stays' }, { station: 'balance' });
  l.add(
    'torqued',
    { fastener: 'rear axle nut', how: 'torqued', torqueNm: 100, wrench: 'long' },
    { station: 'wheel-back' },
  );
  l.add(
    'torqued',
    { fastener: 'rim lock nut', how: 'snug', torqueNm: null, wrench: null },
    { station: 'wheel-back' },
  );
  l.add(
    'torqued',
    { fastener: 'rear axle nut', how: 'torqued', torqueNm: 100, wrench: 'long', pass: 2 },
    { station: 'wheel-back' },
  );
  l.add('slack', {
    when: 'after',
    placesMm: [33, 35],
    wantMinMm: 30,
    wantMaxMm: 40,
    runMm: 580,
    pitchMm: 1.25,
  });
  return l;
};

describe('what is missing or doubtful', () => {
  test('a job done by the book has nothing open before hand-over', () => {
    const reports = jobReport(foldJob(wholeJob().log), TODAY);
    expect(openPoints(reports)).toEqual({ missing: [], doubts: [] });
    expect(reports.map((r) => r.fill)).toEqual([...STATIONS.slice(0, -1).map(() => 1), 0]);
  });

  test('a word alone balances nothing: without a test with these weights on, the check is missing', () => {
    const end = { heavyMassG: 40, heavyDeg: 211, leftG: 2, leftDeg: 5, bandG: 3, chance: 0.97 };
    const [done, otherWeights] = [wholeJob(), wholeJob()];
    done.add('balanced', end, { station: 'balance' });
    otherWeights.add(
      'weights',
      { pieces: [{ massG: 35, deg: 25, side: 'near' }], residualG: 2 },
      { station: 'balance' },
    );
    otherWeights.add('balanced', end, { station: 'balance' });
    const missing = (l: ReturnType<typeof wholeJob>) =>
      openPoints(jobReport(foldJob(l.log), TODAY)).missing;
    expect(missing(done)).toEqual([]);
    expect(missing(otherWeights)).toEqual(['Balance: the level test after the weights, twice']);
  });

  test('an opened job is missing something at every station', () => {
    const reports = jobReport(foldJob(logOf().open().log), TODAY);
    for (const r of reports) expect(r.missing.length).toBeGreaterThan(0);
    expect(reports.every((r) => r.fill === 0)).toBe(true);
  });

  const doubtsAfter = (change: (l: ReturnType<typeof wholeJob>) => void): string[] => {
    const l = wholeJob();
    change(l);
    return openPoints(jobReport(foldJob(l.log), TODAY)).doubts;
  };

  test.each<[string, (l: ReturnType<typeof wholeJob>) => void, RegExp]>([
    [
      'an old new tire',
      (l) => l.add('chosen', { ...chosen, dateCode: '0515' }),
      /Choose: Made week 5 of 2015: 11\.\d years old/,
    ],
    [
      'an unread date code',
      (l) => l.add('chosen', { ...chosen, dateCode: null }),
      /Date code unknown/,
    ],
    [
      'another rim',
      (l) => l.add('chosen', { ...chosen, marking: '110/90-19 62M TT' }),
      /A 19 inch tire does not go on an 18 inch rim/,
    ],
    [
      'no tube on spokes',
      (l) => l.add('chosen', { ...chosen, tube: false }),
      /An unsealed spoked rim with a tube-type tire takes a tube/,
    ],
    [
      'a tube not picked',
      (l) => l.add('chosen', { ...chosen, tubeLabel: null }),
      /With a tube, but none picked/,
    ],
    [
      'little room',
      (l) => l.add('clearance', { place: 'above', mm: 6, load: 'on the stand' }),
      /Choose: 6 mm clearance above the tire/,
    ],
    [
      'above the limit',
      (l) => l.add('seat-reading', { gaugeKpa: 262 }),
      /Seat: A reading was above the seating limit/,
    ],
    [
      'not seated',
      (l) => l.add('seated', { side: 'other', seated: false }),
      /Not seated on the other side/,
    ],
    [
      'an unread seating limit',
      (l) => l.add('chosen', { ...chosen, seatLimitKpa: null }),
      /seating limit was not read/,
    ],
    [
      'a strange pressure',
      (l) => l.add('pressure-set', { gaugeKpa: 150, shopC: 20, rideC: 20, rideKpa: 150 }),
      /outside the starting range/,
    ],
    [
      'a moving wheel',
      (l) => l.add('level-check', { clock: 9, moved: 'sinks' }),
      /did not stay still/,
    ],
    [
      'a trial that stayed on',
      (l) => l.add('trial', { pieces: [{ massG: 20, deg: 90, side: 'near' }] }),
      /trial weight is still on/,
    ],
    ['much left over', (l) => l.add('weights', { pieces: [], residualG: 12 }), /12 g left over/],
    [
      'a guess',
      (l) =>
        l.add('torqued', { fastener: 'rear axle nut', how: 'guess', torqueNm: 100, wrench: null }),
      /rear axle nut: torque not verified/,
    ],
    [
      'snug instead of torqued',
      (l) =>
        l.add('torqued', { fastener: 'rear axle nut', how: 'snug', torqueNm: 100, wrench: null }),
      /snug, but the manual/,
    ],
    [
      'a tight chain',
      (l) =>
        l.add('slack', {
          when: 'after',
          placesMm: [29],
          wantMinMm: 30,
          wantMaxMm: 40,
          runMm: 580,
          pitchMm: null,
        }),
      /Wheel on: Too tight: 29 mm, spec 30 mm min/,
    ],
    [
      'a wheel askew',
      (l) => l.add('marks', { leftMm: 33, rightMm: 30, spanMm: 240, chainSide: 'left' }),
      /Wheel on: The left end is 3\.0 mm further back/,
    ],
    [
      'a soft brake',
      (l) => l.add('brake', { firm: false, spin: 'free' }),
      /Wheel on: The brake is not firm/,
    ],
    [
      'a ring that rubs',
      (l) =>
        l.add('sensor-gap', {
          readings: [0, 120, 240].map((deg) => ({ deg, gapMm: deg / 240 })),
          wantMinMm: 0,
          wantMaxMm: 1,
        }),
      /Wheel on: The ring rubs at 12 o’clock/,
    ],
    [
      'a bent disc',
      (l) =>
        l.add('disc-runout', {
          readings: [0, 60, 120, 180, 240, 300].map((angleDeg) => ({
            angleDeg,
            lateralMm: angleDeg / 600,
          })),
          limitMm: 0.4,
        }),
      /Wheel on: Runout 0\.50 mm, limit 0\.40 mm/,
    ],
    [
      'anti-seize on a dry value',
      (l) =>
        l.add('torqued', {
          fastener: 'rear axle nut',
          how: 'torqued',
          torqueNm: 100,
          wrench: 'long',
          thread: 'anti-seize',
        }),
      /rear axle nut: anti-seize on the threads clamps 1\.67 times/,
    ],
    [
      'a bent rim',
      (l) =>
        l.add('runout', {
          readings: [0, 60, 120, 180, 240, 300].map((angleDeg) => ({
            angleDeg,
            lateralMm: 2 * Math.cos((angleDeg * Math.PI) / 180),
          })),
          device: null,
        }),
      /Inspect: 4\.0 mm side to side, high at 12 o’clock/,
    ],
    [
      'a notched bearing',
      (l) => l.add('findings', { part: 'bearing', found: ['rough'] }),
      /Inspect: Rough or notched when turned\. New bearings/,
    ],
    [
      'an old tube that stays',
      (l) => (
        l.add('chosen', { ...chosen, tubeLabel: null }),
        l.add('findings', { part: 'tube', found: ['pinch'] })
      ),
      /Inspect: Two slits side by side/,
    ],
    [
      'a dull spoke',
      (l) => l.add('spoke-ring', { spokes: [{ spoke: 7, sounds: 'dull' }] }),
      /Inspect: Spoke 7 is dull/,
    ],
    [
      'a rim that was not read since its nipples were turned',
      (l) => l.add('nipples-turned', { turned: [{ spoke: 7, eighths: 2 }], firstTo: 'disc side' }),
      /Inspect: Nipples were turned; measure the rim again/,
    ],
    [
      'a trouble that nothing cured',
      (l) => l.add('trouble', { symptom: 'bite-stuck', curedBy: null }, { station: 'tire-on' }),
      /Tire on: The bite will not go: not fixed/,
    ],
    [
      'a worn road tire',
      (l) => l.add('came-off', { marking: '110/90-18', dateCode: null, treadMm: 1, use: 'road' }),
      /below the road minimum/,
    ],
  ])('%s is doubtful', (_name, change, said) => {
    expect(doubtsAfter(change).join('\n')).toMatch(said);
  });

  test('what an old tube showed is none once another is picked', () => {
    expect(doubtsAfter((l) => l.add('findings', { part: 'tube', found: ['pinch'] }))).toEqual([]);
  });

  test('a trouble that was cured later is none', () => {
    expect(
      doubtsAfter((l) => {
        l.add('trouble', { symptom: 'bite-stuck', curedBy: null }, { station: 'tire-on' });
        l.add('trouble', { symptom: 'bite-stuck', curedBy: 'soap' }, { station: 'tire-on' });
      }),
    ).toEqual([]);
  });

  test('a snug nut without a figure is no doubt', () => {
    expect(doubtsAfter(() => undefined)).toEqual([]);
  });

  test('only the fasteners of this end are asked for', () => {
    expect(fastenersOf(foldJob(logOf().open().log)).map((f) => f.name)).toEqual([
      'rear axle nut',
      'rim lock nut',
    ]);
    const front = logOf().open(sampleMachine(), sampleWheel({ position: 'front' }));
    expect(fastenersOf(foldJob(front.log)).map((f) => f.name)).toEqual([
      'front axle',
      'rim lock nut',
    ]);
  });

  test('steps fill a station one by one', () => {
    const l = logOf().open();
    const steps = stepsOf(foldJob(l.log), 'inspect');
    l.add('step', { stepId: steps[0]!.id });
    const report = stationReport(foldJob(l.log), 'inspect', TODAY);
    expect(report.fill).toBeCloseTo(1 / steps.length, 9);
    expect(report.missing).toHaveLength(steps.length - 1);
  });

  test('the limit and the starting pressure come from the log', () => {
    const state = foldJob(wholeJob().log);
    expect(seatLimitOf(state).result).toEqual({ limitKpa: 260, binds: 'sidewall' });
    expect(pressureStartOf(state)).toMatchObject({ ok: true });
    const road = logOf().open(sampleMachine({ placardRearKpa: null }));
    expect(pressureStartOf(foldJob(road.log))).toMatchObject({
      ok: false,
      problem: { field: 'placardKpa' },
    });
  });
});

describe('rechecks', () => {
  test('by rule from the day of the work, or as the log has them', () => {
    const l = wholeJob();
    expect(recheckDates(foldJob(l.log), TODAY).map((r) => r.onDate)).toEqual([
      '2026-05-01',
      '2026-05-07',
    ]);
    l.add('recheck', { what: 'Pressure, cold', onDate: '2026-05-03' });
    l.add('recheck', { what: 'Pressure, cold', onDate: '2026-05-02' });
    expect(recheckDates(foldJob(l.log), TODAY)).toEqual([
      { what: 'Pressure, cold', onDate: '2026-05-02', look: 'pressure' },
    ]);
  });
});

describe('the job card', () => {
  test('keeps what was fitted, set, placed and torqued, in the fitter’s units', () => {
    const card = jobCard(foldJob(wholeJob().log), TODAY, { ...DEFAULT_UNITS, torque: 'lbf·ft' });
    expect(card.title).toBe('Rear wheel, Hob 250');
    const rows = Object.fromEntries(
      card.sections.flatMap((s) => s.rows.map(([k, v]) => [`${s.title}: ${k}`, v])),
    );
    expect(rows).toMatchObject({
      'Came off: Date code': '1523, week 15 of 2023',
      'Went on: Tire': '110/90-18 61M TT',
      'Went on: Parts': '2 × rim strip',
      'Went on: Tube': '110/90-18',
      'Air: Set': '13.5 psi at 20 °C',
      'Balance: 12:50 o’clock (25°)': '20 g + 20 g far side',
      'Balance: Level test': 'stays, stays',
      'Torque: rear axle nut': 'torqued, 73.8 ft-lb, two passes, long',
      'Torque: rim lock nut': 'snug',
    });
    expect(card.doubts).toEqual([]);
  });

  test('an unfinished job says what is not recorded', () => {
    const card = jobCard(foldJob(logOf().open().log), TODAY, DEFAULT_UNITS);
    expect(card.sections.find((s) => s.title === 'Torque')?.rows[0]).toEqual([
      'rear axle nut',
      'not recorded, 100 N·m',
    ]);
    expect(card.missing).toContain('Choose: the new tire');
  });
});

describe('the log in words', () => {
  test('every kind of entry is a sentence without code words', () => {
    const l = wholeJob();
    l.add('clearance', { place: 'above', mm: 20, load: 'rider on' });
    l.add('runout', {
      readings: [
        { angleDeg: 0, lateralMm: 0.4 },
        { angleDeg: 90, radialMm: 0.2 },
      ],
      device: 'indicator',
    });
    l.add('pop', { gaugeKpa: 150, device: 'hose gauge' });
    l.add('molded-line', { side: 'other', deg: 90, even: false });
    l.add('balance-again', { why: 'the tire was turned on the rim' });
    l.add('balance-hint', { massG: 38, deg: 205, jobId: 'a', onDate: TODAY });
    l.add('rest', { restDeg: 215, from: 'left', device: 'bench stand' });
    l.add('trial', { pieces: [{ massG: 20, deg: 300, side: 'near' }] });
    l.add('level-test', { deg: 30, moved: 'stays' });
    l.add('swing', { periodS: 8.2 });
    l.add('machine-reading', { massG: 12, deg: 40, stepG: 1, stepDeg: 3 });
    l.add('balanced', {
      heavyMassG: 40,
      heavyDeg: 211,
      leftG: 2,
      leftDeg: 5,
      bandG: 3,
      chance: 0.97,
    });
    l.add('seat-ceiling', { ceilingKpa: 340, by: 'Ada Marl', why: 'stiff bead' });
    l.add('ground', { ground: 'rock' });
    l.add('seat-again', { why: 'not seated at the limit' });
    l.add('photo', { photoId: 'a'.repeat(64), part: 'bead', says: 'at the valve hole' });
    l.add('rim-shape', { flangeMm: 486, wellMm: 430, wellToFlangeMm: 40 });
    l.add('spoke-ring', { spokes: [{ spoke: 7, sounds: 'dull' }] });
    l.add('nipples-turned', { turned: [{ spoke: 7, eighths: 2 }], firstTo: 'disc side' });
    l.add('bead-measured', {
      side: 'outer',
      bundleMm: [20, 20.1],
      gapMm: [17.3],
      device: 'bench caliper',
    });
    l.add('ring-gap', {
      ring: 'outer',
      when: 'before the torque',
      readings: [{ deg: 0, gapMm: 1.2 }],
    });
    l.add('ring-set', { bolts: 12, torqueNm: 13 });
    l.add('ring-bolt', { ring: 'outer', pass: 2, bolt: 7, torqueNm: 13, device: 'click' });
    l.add('air-out', { silent: true, gaugeKpa: null, coreOut: false });
    l.add('taped', { run: 1, circumferenceMm: 2500, gaugeKpa: 41.4 });
    l.add('trouble', { symptom: 'bite-stuck', curedBy: 'well' });
    l.add('findings', { part: 'bead', found: ['corrosion'] });
    l.add('school', { school: 'tube.in', value: 'with the tire' });
    l.add('load', { riderKg: 90, passengerKg: 0, luggageKg: 12 });
    l.add('note', { text: 'seal greased' });
    l.add('steps', { stepIds: ['off-out'] });
    l.add('marks', { leftMm: 31, rightMm: 30.5, spanMm: 240, chainSide: 'left' });
    l.add('string', {
      gapsMm: { leftFront: 20, leftRear: 20, rightFront: 18, rightRear: 18 },
      wheelbaseMm: 1400,
      spanMm: 240,
      chainSide: 'left',
    });
    l.add('brake', { firm: true, spin: 'free' });
    l.add('sensor-gap', {
      readings: [0, 120, 240].map((deg) => ({ deg, gapMm: 0.8 })),
      wantMinMm: 0.5,
      wantMaxMm: 1,
    });
    l.add('disc-runout', {
      readings: [0, 60, 120, 180, 240, 300].map((angleDeg) => ({ angleDeg, lateralMm: 0.02 })),
      limitMm: 0.2,
    });
    l.add('test-ride', { how: 'ridden', by: 'Ada Marl', shakesAtKmh: null, found: '' });
    l.add('declined', { what: 'New bearings.', by: 'Ned Ash' });
    l.add('odometer', { km: 8120 });
    l.add('taught', { done: true, found: 'the lamp went out' });
    l.add('recheck', { what: 'Pressure', onDate: TODAY });
    l.add('looked-again', { what: 'Pressure', good: true, found: 'held', gaugeKpa: 90, tempC: 18 });
    l.add('handed-over', { to: 'Ned Ash' });
    l.add('undo', { entryId: 'e3' });
    const words = new Map(stepsOf(foldJob(l.log)).map((s) => [s.id, s.say]));
    const said = new Map(l.log.map((e: Entry) => [e.kind, entryText(e, DEFAULT_UNITS, words)]));
    expect([...said.keys()].sort()).toEqual([...ENTRY_KINDS].sort());
    for (const text of said.values())
      expect(text).not.toMatch(/undefined|null|NaN|\[object|[a-z]Deg|Kpa/);
    expect(said.get('trial-rest')).toBe(
      'With 20 g at 10 o’clock (300°) settles at 7:53 o’clock (237°)',
    );
    expect(said.get('trial')).toBe('Trial weights: 20 g at 10 o’clock (300°)');
    expect(said.get('balanced')).toBe(
      'Balanced: 2 g left of 40 g, 97% sure it is within tolerance',
    );
    expect(said.get('molded-line')).toBe('Molded line low at 9 o’clock (270°), other side');
    expect(said.get('pop')).toBe('A bead popped at 21.8 psi, by hose gauge');
    expect(said.get('step')).toMatch(/^Done: [A-Z]/);
  });
});

describe('what the dial shows', () => {
  const kinds = (marks: ReturnType<typeof dialMarks>) => marks.map((m) => m.is);

  test('the lock always, levers while levering, weights once they are on', () => {
    const state = foldJob(wholeJob().log);
    const off = stepsOf(state, 'tire-off').find((s) => s.shows === 'levers-off');
    expect(kinds(dialMarks(state, 'intake'))).toEqual(['lock']);
    const levering = kinds(dialMarks(state, 'tire-off', { step: off }));
    expect(levering.filter((m) => m !== 'bite')).toEqual(['lock', 'push', 'start', 'finish']);
    expect(levering.filter((m) => m === 'bite').length).toBeGreaterThan(10);
    const third = dialMarks(state, 'tire-off', { step: off, bite: 3 }).filter(
      (m) => m.is === 'bite',
    );
    expect(third.filter((m) => m.is === 'bite' && m.done)).toHaveLength(2);
    expect(third.filter((m) => m.is === 'bite' && m.now)).toMatchObject([{ n: 3 }]);
    const half = dialMarks(state, 'tire-on', {
      step: stepsOf(state, 'tire-on').find((s) => s.shows === 'push-down'),
    }).find((m) => m.is === 'push');
    expect(half).toBeDefined();
    expect(kinds(dialMarks(state, 'hand-over'))).toEqual(['lock', 'light-mark', 'heavy', 'weight']);
    expect(dialMarks(state, 'hand-over').at(-1)).toEqual({
      is: 'weight',
      deg: 25,
      label: '2 × 20 g',
    });
    expect(
      dialMarks(state, 'hand-over', { say: (g) => `${(g / 28.35).toFixed(2)} oz` }).at(-1),
    ).toMatchObject({ label: '2 × 0.71 oz' });
    expect(dialMarks(foldJob([]), 'hand-over')).toEqual([]);
  });
});

describe('an entry from outside', () => {
  const body = {
    id: 'x',
    who: 'Ada Marl',
    station: 'seat',
    kind: 'seat-reading',
    data: { gaugeKpa: 200 },
  };

  test('a good one comes back clean, with the usual for what it does not say', () => {
    expect(checkEntryBody(body)).toEqual({ ...body, data: { gaugeKpa: 200, device: null } });
  });

  test.each([
    [{ ...body, kind: 'nonsense' }, 'kind'],
    [{ ...body, station: 'kitchen' }, 'station'],
    [{ ...body, data: { gaugeKpa: 5000 } }, 'data.gaugeKpa'],
    [{ ...body, data: {} }, 'data.gaugeKpa'],
    [{ ...body, data: { gaugeKpa: 200, extra: 1 } }, 'data.extra'],
    [{ ...body, who: '' }, 'who'],
    [{ ...body, kind: 'school', data: { school: 'tube.in', value: 'sideways' } }, 'data.value'],
    [{ ...body, kind: 'school', data: { school: 'seat.tries', value: '9' } }, 'data.school'],
    [{ ...body, kind: 'findings', data: { part: 'bead', found: ['horn'] } }, 'data.found[0]'],
    [
      { ...body, kind: 'trouble', data: { symptom: 'bite-stuck', curedBy: 'prayer' } },
      'data.curedBy',
    ],
    [{ ...body, seq: 4 }, 'seq'],
    [
      {
        ...body,
        kind: 'weights',
        data: { pieces: [{ massG: -5, deg: 0, side: 'near' }], residualG: 0 },
      },
      'data.pieces[0].massG',
    ],
    [null, 'input'],
  ])('%j is refused at its field', (value, field) => {
    expect(() => checkEntryBody(value)).toThrow(expect.objectContaining({ field }));
  });
});
