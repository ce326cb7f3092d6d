import {
  bandOf,
  bearingsFor,
  bottomDeg,
  isAtRest,
  standEnergyJ,
  standStep,
  swingPeriodS,
  turnTo,
  untilRest,
  type StandBearings,
  type StandMotion,
  type StandWheel,
} from './wheel-on-stand';
import { angleBetween } from '../../base/units';

const wheel: StandWheel = {
  lumps: [{ massG: 40, deg: 200 }],
  radiusMm: 220,
  massKg: 9,
  inertiaKgM2: 0.42,
};
const NO_FRICTION: StandBearings = { sealNm: 0, rolling: 0, bearingMm: 10, airNms2: 0 };
const at = (turnDeg: number, rateDegS = 0): StandMotion => ({ turnDeg, rateDegS, held: false });

/** Time between two passes through the bottom in the same direction. */
const periodOf = (it: StandWheel, offDeg: number): number => {
  const bottom = turnTo(it.lumps[0]!.deg, 6);
  let motion = at(bottom + offDeg);
  const passes: number[] = [];
  let before = offDeg;
  for (let i = 0; passes.length < 2 && i < 200_000; i++) {
    motion = standStep(it, NO_FRICTION, motion, 0.002);
    const off = angleBetween(bottom, motion.turnDeg);
    if (before > 0 && off <= 0) passes.push(i * 0.002 + (0.002 * before) / (before - off));
    before = off;
  }
  return passes[1]! - passes[0]!;
};

test('a small swing takes as long as the physical pendulum of the textbook: T = 2π √(I / (m g d)), within 1%', () => {
  for (const massG of [8, 40, 90]) {
    const it = { ...wheel, lumps: [{ massG, deg: 200 }] };
    // Worked from the formula alone: I = I0 + m r², pull m g r.
    const [m, r] = [massG / 1000, 0.22];
    const worked = 2 * Math.PI * Math.sqrt((0.42 + m * r * r) / (m * 9.80665 * r));
    expect(swingPeriodS(it)).toBeCloseTo(worked, 9);
    expect(Math.abs(periodOf(it, 4) / worked - 1)).toBeLessThan(0.01);
  }
  // A wide swing takes longer: by 1 + θ²/16 + 11 θ⁴/3072 for an amplitude θ (textbook series).
  const theta = (60 * Math.PI) / 180;
  expect(periodOf(wheel, 60) / swingPeriodS(wheel)).toBeCloseTo(
    1 + theta ** 2 / 16 + (11 * theta ** 4) / 3072,
    3,
  );
});

test('its energy only ever falls, and without friction it stays', () => {
  for (const bandG of [1, 3, 6]) {
    const bearings = bearingsFor(wheel, bandG);
    let motion = at(turnTo(200, 2), 40);
    let energy = standEnergyJ(wheel, motion);
    const first = energy;
    for (let i = 0; i < 6000; i++) {
      motion = standStep(wheel, bearings, motion, 0.02);
      const next = standEnergyJ(wheel, motion);
      expect(next).toBeLessThanOrEqual(energy + 1e-12);
      energy = next;
    }
    expect(energy).toBeLessThan(first - 0.01);
  }
  const start = at(turnTo(200, 3));
  const later = Array.from({ length: 500 }).reduce<StandMotion>(
    (motion) => standStep(wheel, NO_FRICTION, motion, 0.1),
    start,
  );
  expect(standEnergyJ(wheel, later)).toBeCloseTo(standEnergyJ(wheel, start), 7);
});

test('it comes to rest within what the bearings hide of its heavy spot, from either side, and not before', () => {
  for (const bandG of [1, 3, 6]) {
    const bearings = bearingsFor(wheel, bandG);
    expect(bandOf(wheel, bearings)).toBeCloseTo(bandG, 9);
    const halfDeg = (Math.asin(bandG / 40) * 180) / Math.PI;
    const rests = [1, 2, 3, 5, 7, 9, 10].map((hour) => {
      const motion = untilRest(wheel, bearings, at(turnTo(200, hour)));
      expect(isAtRest(wheel, bearings, motion)).toBe(true);
      return angleBetween(200, bottomDeg(motion));
    });
    for (const off of rests) expect(Math.abs(off)).toBeLessThanOrEqual(halfDeg + 1e-6);
    // Not always the same place: that is why it is let go from both sides.
    expect(Math.max(...rests) - Math.min(...rests)).toBeGreaterThan(halfDeg / 4);
  }
});

test('held it stays, balanced it stays anywhere, and a mass against the heavy spot makes it so', () => {
  const bearings = bearingsFor(wheel, 3);
  expect(standStep(wheel, bearings, { turnDeg: 10, rateDegS: 50, held: true }, 5)).toEqual({
    turnDeg: 10,
    rateDegS: 0,
    held: true,
  });
  const balanced = { ...wheel, lumps: [...wheel.lumps, { massG: 38, deg: 20 }] };
  for (const turnDeg of [0, 77, 191, 300])
    expect(untilRest(balanced, bearings, at(turnDeg)).turnDeg).toBeCloseTo(turnDeg, 9);
  // Pushed, it rolls out and stays where it comes to stand.
  const pushed = untilRest(balanced, bearings, at(0, 30));
  expect(Math.abs(angleBetween(0, pushed.turnDeg))).toBeGreaterThan(5);
});
