import fc from 'fast-check';
import { logOf, problemOf, sampleMachine, sampleWheel } from '../../../../tests/sample';
import { foldJob, jobDues } from '..';
import { seeded } from '../../base/statistics';
import {
  ageDue,
  checkLook,
  dueOfTool,
  dueOfWheel,
  lookFrom,
  LOOKS,
  riderText,
  type RecheckRow,
} from '.';

const MINIMUM = { 'tread.minimumMm': 1.6 };

describe('tread', () => {
  const treads = [
    { onDate: '2026-03-01', km: 0, depthMm: 7.6 },
    { onDate: '2026-03-31', km: 1500, depthMm: 6.1 },
  ];
  test('is due on the day on which the line of wear meets the minimum', () => {
    // 1.5 mm in 30 days; 4.5 mm are left: 90 days more.
    expect(dueOfWheel(sampleWheel({ treads }), null, MINIMUM)).toEqual([
      { look: 'tread', what: 'Tread near its minimum', onDate: '2026-06-29' },
    ]);
    const sooner = dueOfWheel(sampleWheel({ treads }), null, { 'tread.minimumMm': 3.09 });
    expect(sooner.map((d) => d.onDate)).toEqual(['2026-05-30']);
  });
  test('at once where it is there already; never by one depth, never of an archived wheel', () => {
    const worn = sampleWheel({
      treads: [...treads, { onDate: '2026-04-20', km: 5000, depthMm: 1.6 }],
    });
    expect(dueOfWheel(worn, null, MINIMUM)).toEqual([
      { look: 'tread', what: 'Tread at its minimum', onDate: '2026-04-20' },
    ]);
    expect(dueOfWheel(sampleWheel({ treads: treads.slice(0, 1) }), null, MINIMUM)).toEqual([]);
    expect(dueOfWheel({ ...worn, archived: true }, null, MINIMUM)).toEqual([]);
  });
});

describe('a standing tire', () => {
  const standing = (lossKpa: number, days: readonly number[]) =>
    days.map((d) => ({
      onDate: `2026-04-${String(1 + d).padStart(2, '0')}`,
      gaugeKpa: 230 - lossKpa * d,
      tempC: 18,
    }));
  const dueOf = (pressures: ReturnType<typeof standing>, tube = false) =>
    dueOfWheel(sampleWheel({ tube, pressures }), null, { 'gauge.stepKpa': 0.5 });
  test('that leaks is looked at soon after its last reading', () => {
    expect(dueOf(standing(3, [0, 4, 8, 12]))).toMatchObject([
      { look: 'leak', onDate: '2026-04-14' },
    ]);
    expect(dueOf(standing(3, [0, 4, 8, 12]))[0]!.what).toMatch(/^Slow leak/);
  });
  test('that is tight is not, nor one of a single reading; of two it cannot be told', () => {
    expect(dueOf(standing(0.05, [0, 7, 14, 21]))).toEqual([]);
    expect(dueOf(standing(3, [0]))).toEqual([]);
    expect(dueOf(standing(0.05, [0, 7]))).toMatchObject([
      { look: 'leak', what: 'Pressure, standing: is it a leak?' },
    ]);
  });
  test('readings of long ago are of another filling', () => {
    const long = { onDate: '2025-04-01', gaugeKpa: 260, tempC: 18 };
    expect(dueOf([long, ...standing(3, [0])])).toEqual([]);
    expect(dueOf([...standing(0.05, [0, 7, 14, 21]), long])).toEqual([]);
  });
});

test('a wheel of a pair is taped after the run until it settles; one alone never', () => {
  const tape = (run: number, circumferenceMm: number) => ({
    onDate: `2026-04-0${run + 1}`,
    run,
    circumferenceMm,
    gaugeKpa: 41,
  });
  const dues = (
    rollouts: ReturnType<typeof tape>[],
    pair: 'driven axle of four' | null = 'driven axle of four',
  ) => dueOfWheel(sampleWheel({ pair, rollouts }), null, { 'recheck.tapeDays': 5 });
  expect(dues([tape(0, 2600), tape(1, 2625)])).toEqual([
    { look: 'tape', what: 'Tape after each run until it settles', onDate: '2026-04-07' },
  ]);
  expect(dues([tape(0, 2600), tape(1, 2625), tape(2, 2625)])).toEqual([]);
  expect(dues([tape(0, 2600), tape(1, 2625)], null)).toEqual([]);
});

test('a tool is calibrated again after the days of the rule, and never where nobody said when it was', () => {
  const tool = { archived: false, calibratedOn: '2025-11-20' };
  expect(dueOfTool(tool, { 'recheck.calibrationDays': 365 })).toMatchObject([
    { onDate: '2026-11-20' },
  ]);
  expect(dueOfTool({ ...tool, calibratedOn: null }, {})).toEqual([]);
  expect(dueOfTool({ ...tool, archived: true }, {})).toEqual([]);
});

describe('a tire’s age', () => {
  const rules = { 'tire.ageCheckYears': 5 };
  test('is looked at when it gets old, a year after a look at an old one, and not twice for one look', () => {
    const [due] = ageDue('0124', '2026-04-30', null, rules);
    // Week 1 of 2024 begins on 7 January; five years on.
    expect(due!.onDate).toBe('2029-01-06');
    expect(ageDue('0124', '2026-04-30', '2027-01-01', rules)[0]!.onDate).toBe('2029-01-06');
    expect(ageDue('0124', '2026-04-30', '2029-02-01', rules)[0]!.onDate).toBe('2030-02-01');
  });
  test('old when it was fitted: a year on; a code that cannot be read asks for nothing', () => {
    expect(ageDue('0119', '2026-04-30', null, rules)[0]!.onDate).toBe('2027-04-30');
    for (const code of ['9924', 'abcd', '0199'])
      expect(ageDue(code, '2026-04-30', null, rules)).toEqual([]);
  });
  test('is never due before it was fitted', () => {
    const random = seeded(5);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 52 }),
        fc.integer({ min: 10, max: 26 }),
        (week, year) => {
          const code = `${String(week).padStart(2, '0')}${year}`;
          const fitted = `2026-0${1 + Math.floor(random() * 9)}-15`;
          for (const due of ageDue(code, fitted, null, rules))
            expect(due.onDate > fitted).toBe(true);
        },
      ),
    );
  });
});

describe('what a job asks for', () => {
  const job = () => {
    const l = logOf().open(sampleMachine(), sampleWheel());
    l.add('handed-over', { to: 'Ned Ash' });
    return l;
  };
  test('nothing until it is handed over; then pressure, bolts, and its tire’s age', () => {
    const l = logOf().open(sampleMachine(), sampleWheel());
    expect(jobDues(foldJob(l.log))).toEqual([]);
    expect(jobDues(foldJob(job().log)).map((d) => [d.look, d.closed])).toEqual([
      ['pressure', null],
      ['bolts', null],
    ]);
  });
  test('a look closes what it names and nothing else; the last one counts', () => {
    const l = job();
    const looked = { what: 'Pressure, cold', found: '', gaugeKpa: 90, tempC: 18 };
    l.add('looked-again', { ...looked, good: false });
    l.add('looked-again', { ...looked, good: true });
    const [pressure, bolts] = jobDues(foldJob(l.log));
    expect(pressure!.closed).toMatchObject({ good: true, gaugeKpa: 90, who: expect.any(String) });
    expect(bolts!.closed).toBeNull();
  });
});

test('words of an earlier program say which readings close it', () => {
  expect(lookFrom('Pressure, cold')).toBe('pressure');
  expect(lookFrom('Torque and weights after the first ride')).toBe('bolts');
  expect(lookFrom('Spokes, torque and weights after the first ride')).toBe('bolts');
  expect(lookFrom('the scratch on the fender')).toBe('anything');
});

test('every look has its readings; a missing or a strange one is named', () => {
  for (const look of LOOKS)
    expect(problemOf(() => checkLook(look, { strange: 1 })).field).toBeTruthy();
  expect(checkLook('bolts', { good: true })).toEqual({ good: true, found: '' });
  expect(problemOf(() => checkLook('pressure', { good: true, gaugeKpa: 90 })).field).toBe('tempC');
  expect(problemOf(() => checkLook('tread', { km: -1, depthMm: 3 })).field).toBe('km');
  expect(problemOf(() => checkLook('calibration', { onDate: '2026-02-30' })).field).toBe('onDate');
});

test('a few words for the rider name every machine once, with its wheels and days', () => {
  const row = (more: Partial<RecheckRow>): RecheckRow => ({
    id: 'r',
    look: 'pressure',
    what: 'Pressure, cold',
    dueOn: '2026-05-03',
    jobId: 'j',
    jobNumber: 1001,
    wheelId: 'w',
    position: 'rear',
    machineName: 'Hob 250',
    rider: 'Ned Ash',
    tool: null,
    closed: null,
    passedBy: null,
    ...more,
  });
  expect(
    riderText(
      [
        row({}),
        row({ machineName: 'Tarn 90', position: 'front' }),
        row({ what: 'Tread near its minimum' }),
      ],
      'Ford Lane Wheels',
    ),
  ).toBe(
    'Ned Ash, due for a recheck. Hob 250: rear wheel: pressure, cold, May 3; rear wheel: tread near its minimum, May 3. Tarn 90: front wheel: pressure, cold, May 3. Ford Lane Wheels',
  );
  expect(riderText([], 'Ford Lane Wheels')).not.toMatch(/undefined|null/);
});
