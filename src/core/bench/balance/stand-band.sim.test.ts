import { nextStep, standBand, type MassVector, type Observation } from '.';
import { howMany } from '../../../../tests/case-count';
import { hiddenWheel, standFor } from '../../../../tests/hidden-wheels';

/** What is seen of a hidden wheel on a stand of that band, as the advice goes. */
const seenOf = (seed: number, bandG: number): Observation[] => {
  const stand = standFor(hiddenWheel(seed, bandG), seed);
  const seen: Observation[] = [];
  let on: MassVector[] = [];
  for (let act = 0; act < 10; act++) {
    const advice = nextStep({ seen, on, toleranceG: 5, trialsG: [10, 20, 30, 40] });
    if (advice.do === 'done' || advice.do === 'look') break;
    if (advice.do === 'settle') seen.push(stand.settle(on, advice.from));
    else if (advice.do === 'level') seen.push(stand.level(advice.deg, on));
    else if (advice.do !== 'spin')
      on = advice.do === 'final' ? [...advice.pieces] : [{ massG: advice.massG, deg: advice.deg }];
  }
  return seen;
};

test.each(howMany([5], [1.5, 3, 5]))(
  'ten wheels on a stand that hides %d g tell it within a third',
  (bandG) => {
    const { result } = standBand.run({
      wheels: Array.from({ length: 10 }, (_, i) => ({ seen: seenOf(100 + i, bandG) })),
    });
    expect(Math.abs(result.bandG / bandG - 1)).toBeLessThan(0.34);
    expect(result.lowG).toBeLessThan(bandG * 1.1);
    expect(result.highG).toBeGreaterThan(bandG * 0.9);
    expect(result.known).toBe(true);
  },
);

test('nothing seen is nothing known, and more wheels know more', () => {
  const none = standBand.run({ wheels: [] });
  expect([none.result.known, none.verdict]).toEqual([false, 'check']);
  expect(none.result.lowG).toBeLessThan(1.5);
  expect(none.result.highG).toBeGreaterThan(6);
  const width = (n: number) => {
    const { lowG, highG } = standBand.run({
      wheels: Array.from({ length: n }, (_, i) => ({ seen: seenOf(50 + i, 3) })),
    }).result;
    return highG - lowG;
  };
  expect(width(howMany(4, 8))).toBeLessThan(width(1));
});
