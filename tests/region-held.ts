import { balanceEstimate, isInside, toVector, type Observation } from '../src/core/balance';
import { hiddenWheel, standFor } from './hidden-wheels';

/** How the fitter looks before the region is asked for; every settle is one more reading. */
export const PLANS = {
  'two bare, two with a trial mass': { bare: 2, trials: [{ massG: 40, asideDeg: 140, settles: 2 }] },
  'four and four': { bare: 4, trials: [{ massG: 40, asideDeg: 140, settles: 4 }] },
  'two trial masses': {
    bare: 2,
    trials: [
      { massG: 40, asideDeg: 140, settles: 2 },
      { massG: 30, asideDeg: 220, settles: 2 },
    ],
  },
} as const;

/** The share of hidden wheels, of a first seed on, whose true heavy spot lies in the 90 % region. */
export const regionHeld = (
  wheels: number,
  ask: { bandG: number; bandKnown: boolean; plan: keyof typeof PLANS; firstSeed: number },
): number => {
  const { bare, trials } = PLANS[ask.plan];
  let held = 0;
  for (let seed = ask.firstSeed; seed < ask.firstSeed + wheels; seed++) {
    const wheel = hiddenWheel(seed, ask.bandG);
    const stand = standFor(wheel, seed);
    const seen: Observation[] = Array.from({ length: bare }, () => stand.settle([]));
    const [first] = seen;
    if (first?.kind !== 'settle') throw new Error('every plan begins with a settle');
    for (const { massG, asideDeg, settles } of trials) {
      const on = [{ massG, deg: (first.restDeg + asideDeg) % 360 }];
      for (let i = 0; i < settles; i++) seen.push(stand.settle(on));
    }
    const rules: Record<string, number> = ask.bandKnown ? { 'balance.bandG': ask.bandG } : {};
    const region = balanceEstimate.run({ seen, rules }).result.region.map((corner) => toVector(corner));
    const [x, y] = toVector(wheel.heavy);
    if (isInside(region, x, y)) held++;
  }
  return held / wheels;
};
