import { normalDeg } from '../../base/units';

/** Looked up once: they run many times a second. */
const { sin, cos, sign, abs, PI, sqrt } = Math;

const G_MS2 = 9.80665;
const RAD = PI / 180;

/** A mass at the weight radius, in grams, and its place from the valve, clockwise. */
interface Lump {
  massG: number;
  deg: number;
}

/**
 * A wheel on a balance stand with everything that makes it turn. `inertiaKgM2` without the lumps.
 */
export interface StandWheel {
  /** The hidden imbalance, and the weights that are on. */
  lumps: readonly Lump[];
  radiusMm: number;
  massKg: number;
  inertiaKgM2: number;
}

/**
 * The friction: seals rub alike at any speed, balls roll the heavier the load, and air drags with
 * the square of the speed.
 */
export interface StandBearings {
  sealNm: number;
  /** Share of the load that rolling resists with, at the bearing's radius. */
  rolling: number;
  bearingMm: number;
  airNms2: number;
}

/**
 * The wheel's position and speed; `turnDeg` is where the valve is on the clock face, clockwise from
 * 12.
 */
export interface StandMotion {
  turnDeg: number;
  rateDegS: number;
  /** A hand holds it still. */
  held: boolean;
}

/** Torque that must be overcome before it moves. */
const frictionNm = (wheel: StandWheel, { sealNm, rolling, bearingMm }: StandBearings): number =>
  sealNm + rolling * wheel.massKg * G_MS2 * (bearingMm / 1000);

/** A plain steel bearing. Basis: memory. */
const ROLLING = 0.0015;
const BEARING_MM = 10;
const AIR_NMS2 = 2e-4;

/**
 * Bearings of a stand that hides so many grams at the weight radius. `bandG` from what rolling
 * alone hides on up.
 */
export const bearingsFor = (wheel: StandWheel, bandG: number): StandBearings => {
  const free = { sealNm: 0, rolling: ROLLING, bearingMm: BEARING_MM, airNms2: AIR_NMS2 };
  const wantedNm = (bandG / 1000) * G_MS2 * (wheel.radiusMm / 1000);
  return { ...free, sealNm: Math.max(0, wantedNm - frictionNm(wheel, free)) };
};

/** The dead band of the bearings, as grams at the weight radius. */
export const bandOf = (wheel: StandWheel, bearings: StandBearings): number =>
  (frictionNm(wheel, bearings) / (G_MS2 * (wheel.radiusMm / 1000))) * 1000;

/** The place of the wheel that is at the bottom. */
export const bottomDeg = ({ turnDeg }: Pick<StandMotion, 'turnDeg'>): number =>
  normalDeg(180 - turnDeg);
/** The turn that brings a place to an hour of the clock face. */
export const turnTo = (placeDeg: number, hour: number): number => normalDeg(hour * 30 - placeDeg);

const inertiaOf = ({ lumps, radiusMm, inertiaKgM2 }: StandWheel): number =>
  inertiaKgM2 + lumps.reduce((sum, l) => sum + (l.massG / 1000) * (radiusMm / 1000) ** 2, 0);

/**
 * East and north parts of all lumps, kilogram metres: the torque at any turn follows from the two.
 */
const momentOf = ({ lumps, radiusMm }: StandWheel): readonly [number, number] => {
  let [east, north] = [0, 0];
  for (const { massG, deg } of lumps) {
    east += (massG / 1000) * (radiusMm / 1000) * sin(deg * RAD);
    north += (massG / 1000) * (radiusMm / 1000) * cos(deg * RAD);
  }
  return [east, north];
};

/** Energy of the wheel above none at all with everything at the axle's height, joules. */
export const standEnergyJ = (wheel: StandWheel, { turnDeg, rateDegS }: StandMotion): number => {
  const [east, north] = momentOf(wheel);
  const [s, c] = [sin(turnDeg * RAD), cos(turnDeg * RAD)];
  return (inertiaOf(wheel) * (rateDegS * RAD) ** 2) / 2 + G_MS2 * (north * c - east * s);
};

/**
 * Period of a small swing, seconds, without friction. Source: the physical pendulum, T = 2π √(I /
 * (m g d)).
 */
export const swingPeriodS = (wheel: StandWheel): number => {
  const [east, north] = momentOf(wheel);
  return 2 * PI * sqrt(inertiaOf(wheel) / (G_MS2 * Math.hypot(east, north)));
};

const STEP_S = 1 / 100;
/** Slower than this after it turned round, with friction enough to hold it: it rests. */
const STILL_RAD_S = 1e-9;

/**
 * The wheel so many seconds later: gravity on its lumps, friction against its motion, air. Where
 * friction is more than gravity's pull it stays once it stands. Source: rigid body about a fixed
 * axle, I φ'' = torque; classical Runge-Kutta of order four between changes of direction.
 */
export const standStep = (
  wheel: StandWheel,
  bearings: StandBearings,
  motion: StandMotion,
  seconds: number,
): StandMotion => {
  if (motion.held) return { ...motion, rateDegS: 0 };
  const inertia = inertiaOf(wheel);
  const [east, north] = momentOf(wheel);
  const friction = frictionNm(wheel, bearings);
  const pull = (turn: number): number => G_MS2 * (east * cos(turn) + north * sin(turn));
  let [turn, rate] = [motion.turnDeg * RAD, motion.rateDegS * RAD];
  let left = seconds;
  while (left > 1e-12) {
    let h = Math.min(STEP_S, left);
    const way =
      abs(rate) > STILL_RAD_S ? sign(rate) : abs(pull(turn)) > friction ? sign(pull(turn)) : 0;
    if (way === 0) {
      rate = 0;
      break;
    }
    const faster = (t: number, r: number): number =>
      (pull(t) - way * friction - bearings.airNms2 * r * abs(r)) / inertia;
    const step = (dt: number): readonly [number, number] => {
      const [k1, l1] = [rate, faster(turn, rate)];
      const [k2, l2] = [rate + (dt / 2) * l1, faster(turn + (dt / 2) * k1, rate + (dt / 2) * l1)];
      const [k3, l3] = [rate + (dt / 2) * l2, faster(turn + (dt / 2) * k2, rate + (dt / 2) * l2)];
      const [k4, l4] = [rate + dt * l3, faster(turn + dt * k3, rate + dt * l3)];
      return [
        turn + (dt / 6) * (k1 + 2 * k2 + 2 * k3 + k4),
        rate + (dt / 6) * (l1 + 2 * l2 + 2 * l3 + l4),
      ];
    };
    let [t, r] = step(h);
    // It turned round within this step: up to there, and from standing still onward.
    if (r * way < 0 && rate * way > 0) {
      h *= rate / (rate - r);
      [t, r] = [step(h)[0], 0];
    }
    [turn, rate] = [t, r];
    left -= h;
  }
  return { turnDeg: normalDeg(turn / RAD), rateDegS: rate / RAD, held: false };
};

/** Whether it would stay where it stands. */
export const isAtRest = (
  wheel: StandWheel,
  bearings: StandBearings,
  { turnDeg, rateDegS, held }: StandMotion,
): boolean => {
  const [east, north] = momentOf(wheel);
  const pull = G_MS2 * (east * cos(turnDeg * RAD) + north * sin(turnDeg * RAD));
  return held || (abs(rateDegS * RAD) <= STILL_RAD_S && abs(pull) <= frictionNm(wheel, bearings));
};

/** No one waits longer than this for a wheel. */
const LONGEST_S = 1800;

/** The position once it rests. */
export const untilRest = (
  wheel: StandWheel,
  bearings: StandBearings,
  from: StandMotion,
): StandMotion => {
  let motion = from;
  for (let s = 0; s < LONGEST_S && !isAtRest(wheel, bearings, motion); s++)
    motion = standStep(wheel, bearings, motion, 1);
  return motion;
};
