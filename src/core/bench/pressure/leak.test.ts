import { seeded } from '../../base/statistics';
import { problemOf } from '../../../../tests/sample';
import { leak, type StandingReading } from '.';

const ZERO_K = 273.15;
const OUTSIDE_KPA = 101.325;

/**
 * A tire that stands for some days: weather of ±5 °C, a gauge that rounds, and a loss of its own.
 */
const standing = (
  seed: number,
  lossKpaPerDay: number,
  { days = 21, stepKpa = 1, startKpa = 230 } = {},
): StandingReading[] => {
  const random = seeded(seed);
  return Array.from({ length: days }, (_, day) => {
    const tempC = 18 + (random() - 0.5) * 10;
    const absolute =
      ((startKpa - lossKpaPerDay * day + OUTSIDE_KPA) * (tempC + ZERO_K)) / (18 + ZERO_K);
    return { day, gaugeKpa: Math.round((absolute - OUTSIDE_KPA) / stepKpa) * stepKpa, tempC };
  });
};
const run = (readings: StandingReading[], more: object = {}) =>
  leak.run({ readings, tube: false, gaugeStepKpa: 1, ...more }).result;
const SEEDS = Array.from({ length: 100 }, (_, i) => i + 1);

test('the true loss lies in the interval in at least 93 of 100 tires', () => {
  for (const truth of [0.2, 1.5, 4]) {
    const hits = SEEDS.filter((seed) => {
      const readings = standing(seed, truth);
      const { lowKpaPerDay, highKpaPerDay } = run(readings);
      // The loss is said at the first reading's temperature; the truth is at 18 °C.
      const atFirst = (truth * (readings[0]!.tempC + ZERO_K)) / (18 + ZERO_K);
      return lowKpaPerDay! <= atFirst && atFirst <= highKpaPerDay!;
    });
    expect(hits.length).toBeGreaterThanOrEqual(93);
  }
});

test('at most 5 of 100 tight tires are called leaking, whatever the weather; nearly every leaking one is', () => {
  expect(
    SEEDS.filter((seed) => run(standing(seed, 0.05)).finding === 'slow leak').length,
  ).toBeLessThanOrEqual(5);
  expect(
    SEEDS.filter((seed) => run(standing(seed, 1.5)).finding === 'slow leak').length,
  ).toBeGreaterThanOrEqual(95);
});

test('the weather alone is no loss: the same air at 25 and 5 degrees', () => {
  const cold = ((230 + OUTSIDE_KPA) * (5 + ZERO_K)) / (25 + ZERO_K) - OUTSIDE_KPA;
  const { lossKpaPerDay, corrected } = run([
    { day: 0, gaugeKpa: 230, tempC: 25 },
    { day: 1, gaugeKpa: cold, tempC: 5 },
    { day: 2, gaugeKpa: 230, tempC: 25 },
  ]);
  expect(lossKpaPerDay).toBeCloseTo(0, 6);
  expect(corrected[1]!.gaugeKpa).toBeCloseTo(230, 6);
});

test('it says how long to wait for this gauge, and does not judge after five minutes', () => {
  const early = run(
    [0, 0.001, 0.003].map((day) => ({ day, gaugeKpa: 230, tempC: 18 })),
    { gaugeStepKpa: 3.5 },
  );
  expect([early.finding, Math.round(early.waitDays)]).toEqual(['cannot tell', 28]);
  expect(early.reason.says).toMatch(/wait 28 days more/);
  expect(run(standing(3, 0.05, { days: 2 })).finding).toBe('cannot tell');
});

test('an empty tire tells nothing of a leak, and one that was filled meanwhile is two series', () => {
  const read = (kpas: readonly number[]) =>
    leak.run({
      readings: kpas.map((gaugeKpa, day) => ({ day, gaugeKpa, tempC: 20 })),
      tube: true,
      gaugeStepKpa: 1,
    });
  for (const kpas of [[0, 0, 0, 0], [90, 40, 0], [0]]) {
    const working = read(kpas);
    expect(working.verdict).toBe('stop');
    expect(working.result).toMatchObject({
      finding: 'cannot tell',
      lossKpaPerDay: null,
      nextCheckDays: 1,
    });
    expect(working.result.reason.says).toMatch(/^The tire is flat/);
  }
  expect(() => read([0, 90, 88, 86])).toThrow(
    'The tire was empty and was filled again between the readings.',
  );
  expect(() => read([90, 0.9, 88, 86])).toThrow(/filled again/);
  expect(read([90, 88, 86, 1]).result.lossKpaPerDay).not.toBeNull();
});

test('the day it falls under the minimum follows from the line', () => {
  const readings = [0, 5, 10].map((day) => ({ day, gaugeKpa: 230 - 2 * day, tempC: 18 }));
  expect(run(readings, { minimumKpa: 200, gaugeStepKpa: 0.1 }).underMinimumInDays).toBeCloseTo(
    5,
    6,
  );
  expect(run(readings, { gaugeStepKpa: 0.1 }).underMinimumInDays).toBeNull();
});

test('a tube may lose more than a tubeless tire', () => {
  const readings = standing(9, 1.2);
  expect([
    run(readings).finding,
    leak.run({ readings, tube: true, gaugeStepKpa: 1 }).result.finding,
  ]).toEqual(['slow leak', 'ordinary']);
});

test('no reading, and readings of one moment, are refused by a sentence', () => {
  expect(problemOf(() => run([])).field).toBe('readings');
  expect(
    problemOf(() =>
      run([
        { day: 1, gaugeKpa: 200, tempC: 20 },
        { day: 1, gaugeKpa: 201, tempC: 20 },
      ]),
    ).message,
  ).toBe('All readings are from one moment.');
});

test('the next reading: soon after a leak, when the gauge can tell, and before it is too soft', () => {
  const next = (run_: { nextCheckDays: number }) => run_.nextCheckDays;
  expect(next(run(standing(3, 1.5)))).toBe(1);
  expect(next(run(standing(3, 0.05)))).toBe(7);
  const tooSoft = leak.run({
    readings: [0, 3, 6, 9, 12].map((day) => ({ day, gaugeKpa: 230 - day * 0.4, tempC: 20 })),
    tube: false,
    gaugeStepKpa: 0.1,
    minimumKpa: 224,
  }).result;
  expect([tooSoft.finding, tooSoft.nextCheckDays]).toEqual(['ordinary', 3]);
});

test('air that was let in between the readings is said, and nothing is called tight by it', () => {
  const at = (pressures: number[], more: object = {}) =>
    leak.run({
      readings: pressures.map((gaugeKpa, day) => ({ day: day * 3, gaugeKpa, tempC: 20 })),
      tube: false,
      gaugeStepKpa: 1,
      ...more,
    });
  for (const pressures of [
    [200, 225, 250, 275],
    [230, 228, 226, 245, 243],
  ]) {
    expect(at(pressures)).toMatchObject({
      verdict: 'check',
      result: { finding: 'cannot tell', lossKpaPerDay: null },
    });
    expect(at(pressures).result.reason.says).toMatch(
      /^It rose .* air was added or a reading is wrong/,
    );
  }
  // Gauge and thermometer may make it rise a little.
  expect(at([230, 231, 230, 232, 230, 231, 231, 230, 231, 230]).result.reason.says).not.toMatch(
    /rose/,
  );
});
