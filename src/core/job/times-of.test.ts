import { logOf, sampleWheel, sampleMachine } from '../../../tests/sample';
import {
  beadPathOf,
  bitesOf,
  foldJob,
  median,
  procedureInputOf,
  stepsOf,
  timesOf,
  type Entry,
} from '.';

/** A log with its entries so many minutes after the opening. */
const timed = (
  build: (l: ReturnType<typeof logOf>) => void,
  minutes: readonly number[],
): Entry[] => {
  const l = logOf().open();
  build(l);
  return l.log.map((e, i) => ({
    ...e,
    at: new Date(Date.UTC(2026, 3, 30, 9) + (minutes[i - 2] ?? 0) * 60_000).toISOString(),
  }));
};
const step = (
  l: ReturnType<typeof logOf>,
  stepId: string,
  station: 'tire-off' | 'wheel-off' = 'tire-off',
) => l.add('step', { stepId }, { station });

describe('time', () => {
  test('a step takes from the entry before it; a station is the sum of its own', () => {
    const log = timed(
      (l) => {
        step(l, 'off-lift', 'wheel-off');
        step(l, 'toff-core');
        step(l, 'toff-nut');
      },
      [4, 6, 9],
    );
    expect(timesOf(log)).toEqual({
      steps: { 'off-lift': 240, 'toff-core': 120, 'toff-nut': 180 },
      stations: { 'wheel-off': 240, 'tire-off': 300 },
    });
  });

  test('a pause longer than the rule is a break; one as long as it is work', () => {
    expect(
      timesOf(
        timed(
          (l) => {
            step(l, 'toff-core');
            step(l, 'toff-nut');
          },
          [30, 61],
        ),
      ).stations,
    ).toEqual({ 'tire-off': 1800 });
  });

  test('what was undone counts for nothing, nor does a clock that went back', () => {
    expect(
      timesOf(
        timed(
          (l) => {
            const id = step(l, 'toff-core');
            l.add('undo', { entryId: id }, { station: 'tire-off' });
          },
          [5, 6],
        ),
      ).steps,
    ).toEqual({});
    expect(
      timesOf(
        timed(
          (l) => {
            step(l, 'toff-core');
          },
          [-5],
        ),
      ).stations,
    ).toEqual({});
    expect(timesOf([])).toEqual({ steps: {}, stations: {} });
  });

  test.each<[number[], number]>([
    [[5], 5],
    [[9, 1, 4], 4],
    [[4, 1, 3, 2], 2.5],
  ])('the median of %j is %d', (values, middle) => expect(median(values)).toBe(middle));
  test('nothing has no median', () => expect(() => median([])).toThrow(/nothing/));
});

describe('bead path of a job', () => {
  const shape = { flangeMm: 486, wellMm: 430, wellToFlangeMm: 40 };
  const state = (rimCode: string) =>
    foldJob(logOf().open(sampleMachine(), sampleWheel({ rimCode })).log);

  test('takes the bead from the rim and the rest as measured', () => {
    const found = beadPathOf(state('2.15x18'), shape, { farUpDeg: 0, fillMm: 0 });
    // A bite is the shop's own where nothing else is said.
    expect(found?.ok && found.working.input).toMatchObject({ biteMm: 70 });
    // An 18 inch rim is 457 mm over its seats by its code: 457 − √(458² + 40²).
    expect(found?.ok && found.working.result.hoopSlackMm).toBeCloseTo(457 - Math.hypot(458, 40), 3);
  });

  test('a measure that is none is said by its field; what was measured stays with the wheel', () => {
    const bad = beadPathOf(state('2.15x18'), { ...shape, wellMm: 5 }, { farUpDeg: 0, fillMm: 0 });
    expect(bad && !bad.ok && bad.problem.field).toBe('wellMm');
    const l = logOf().open();
    l.add('rim-shape', shape);
    expect(foldJob(l.log).wheel).toMatchObject(shape);
  });
});

describe('the rim of a job, as measured', () => {
  const SHAPE = { flangeMm: 486, wellMm: 430, wellToFlangeMm: 40 };
  const bites = (shape: object, rimCode = '2.15x18') =>
    bitesOf(foldJob(logOf().open(sampleMachine(), sampleWheel({ rimCode, ...shape })).log), 'off');

  test('judges the bites where all three are known and fit the bead, and only there', () => {
    expect(bites(SHAPE)!.bites.every((b) => b.spareMm !== null)).toBe(true);
    for (const shape of [
      {},
      { ...SHAPE, flangeMm: null },
      { ...SHAPE, wellMm: null },
      { ...SHAPE, wellToFlangeMm: null },
      // A well that is no smaller than the bead of 457 mm, and a flange that is no larger.
      { ...SHAPE, wellMm: 460 },
      { ...SHAPE, flangeMm: 450 },
    ])
      expect(bites(shape)!.bites.every((b) => b.spareMm === null)).toBe(true);
  });

  test('is the same for the steps as for the dial', () => {
    const state = foldJob(
      logOf().open(sampleMachine(), sampleWheel({ rimCode: '2.15x18', ...SHAPE })).log,
    );
    const kneel = stepsOf(state, 'tire-off')
      .flatMap((s) => s.places)
      .find((place) => place.what === 'kneel')!;
    const plan = bitesOf(state, 'off')!;
    expect([kneel.deg, kneel.toDeg]).toEqual([plan.kneelFromDeg, plan.kneelToDeg]);
    expect(procedureInputOf(state)!.wheel.rim).toEqual({ flangeMm: 486, wellMm: 430, axialMm: 40 });
  });
});
