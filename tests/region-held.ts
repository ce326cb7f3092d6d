import {
  balanceEstimate,
  isInside,
  toVector,
  type MassVector,
  type Observation,
} from '../src/core/bench/balance';
import { hiddenWheel, standFor, type HiddenWheel } from './hidden-wheels';
import { spoiledSeries } from './spoiled-series';

/** How the fitter looks before the region is asked for; every settle is one more reading. */
export const PLANS = {
  'two bare, two with a trial mass': {
    bare: 2,
    trials: [{ massG: 40, asideDeg: 140, settles: 2 }],
  },
  'four and four': { bare: 4, trials: [{ massG: 40, asideDeg: 140, settles: 4 }] },
  'two trial masses': {
    bare: 2,
    trials: [
      { massG: 40, asideDeg: 140, settles: 2 },
      { massG: 30, asideDeg: 220, settles: 2 },
    ],
  },
} as const;

const isHeld = (
  seen: readonly Observation[],
  heavy: MassVector,
  rules: Record<string, number>,
): boolean => {
  const region = balanceEstimate
    .run({ seen, rules })
    .result.region.map((corner) => toVector(corner));
  const [x, y] = toVector(heavy);
  return isInside(region, x, y);
};

/** The readings of a plan on one hidden wheel. */
const readingsOf = (plan: keyof typeof PLANS, wheel: HiddenWheel, seed: number): Observation[] => {
  const { bare, trials } = PLANS[plan];
  const stand = standFor(wheel, seed);
  const seen: Observation[] = Array.from({ length: bare }, () => stand.settle([]));
  const [first] = seen;
  if (first?.kind !== 'settle') throw new Error('every plan begins with a settle');
  for (const { massG, asideDeg, settles } of trials) {
    const on = [{ massG, deg: (first.restDeg + asideDeg) % 360 }];
    for (let i = 0; i < settles; i++) seen.push(stand.settle(on));
  }
  return seen;
};

/**
 * The share of hidden wheels, of a first seed on, whose true heavy spot lies in the 90% region.
 */
export const regionHeld = (
  wheels: number,
  ask: {
    bandG: number;
    bandKnown: boolean;
    plan: keyof typeof PLANS | 'as advised';
    firstSeed: number;
  },
): number => {
  const { bandG, plan, firstSeed } = ask;
  const rules: Record<string, number> = ask.bandKnown ? { 'balance.bandG': bandG } : {};
  const held = Array.from({ length: wheels }, (_, i) => firstSeed + i).filter((seed) => {
    const wheel = hiddenWheel(seed, bandG);
    const seen =
      plan === 'as advised' ? spoiledSeries(seed, {}, bandG).seen : readingsOf(plan, wheel, seed);
    return isHeld(seen, wheel.heavy, rules);
  });
  return held.length / wheels;
};
