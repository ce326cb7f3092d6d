import { howMany } from '../../../../tests/case-count';
import { regionHeld } from '../../../../tests/region-held';
import { believe, regionShare } from '.';

/**
 * Thirty wheels scatter by about 5 of 100, sixty by 4; `npm run bench:balance` counts two hundred
 * of each.
 */
const WHEELS = howMany(20, 60);
const SCATTER = howMany(0.16, 0.1);

test.each([true, false])(
  'the true heavy spot lies in the 90% region in about 90 of 100 wheels, for every dead band; known: %p',
  (bandKnown) => {
    const shares = [1, 2, 3, 4, 5, 6].map((bandG) =>
      regionHeld(WHEELS, {
        bandG,
        bandKnown,
        plan: 'two bare, two with a trial mass',
        firstSeed: bandG * 10_000,
      }),
    );
    // Each within what so few wheels scatter by; all together as the region promises.
    for (const share of shares) expect(Math.abs(share - 0.9)).toBeLessThanOrEqual(SCATTER);
    const all = shares.reduce((a, b) => a + b, 0) / shares.length;
    // All bands together scatter by 2 of 100 in the suite.
    expect(Math.abs(all - 0.9)).toBeLessThanOrEqual(howMany(0.06, 0.03));
  },
  120_000,
);

test('the share is nine tenths where the band is known, and never leaves its bounds where it is not', () => {
  expect(regionShare(believe([], { bandG: 6 }))).toBe(0.9);
  for (const restDeg of [200, 203, 215, 260]) {
    const seen = [200, restDeg].map((deg) => ({
      kind: 'settle' as const,
      restDeg: deg,
      from: null,
      weights: [],
    }));
    const share = regionShare(believe(seen));
    expect(share).toBeGreaterThanOrEqual(0.3);
    expect(share).toBeLessThanOrEqual(0.97);
  }
});
