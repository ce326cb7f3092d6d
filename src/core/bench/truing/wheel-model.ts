/**
 * A laced wheel as a ring on springs: what a turn of each nipple does to the rim and to every
 * spoke's tension.
 *
 * The rim is a thin ring whose shape is a sum of waves round the wheel; bending a wave costs what
 * it costs a free ring, the spokes are springs between rim and hub, and the hub stands still. Small
 * turns only: everything is linear. Source: bending of a circular ring in and out of its plane, S.
 * Timoshenko, Vibration Problems in Engineering (stiffness of its n-th wave); from memory, named as
 * such. Sizes of rim and spokes: memory.
 */

/** A average dirt wheel: aluminium rim, steel spokes. Basis: memory. */
export const RIM = {
  /** Out of the wheel's plane and in it, N·mm². */
  sideBendingNmm2: 70_000 * 45_000,
  upBendingNmm2: 70_000 * 9_000,
  /** Bending over twisting. */
  twist: 2,
  /** Stretching along the rim, N. */
  stretchN: 70_000 * 330,
} as const;
export const SPOKE = {
  /** Young's modulus times section, N; elbow and thread give as much again as the wire does. */
  stretchN: (200_000 * 9.6) / 2,
  /** Thread, mm for a turn. */
  pitchMm: 0.7,
  /** From the middle of the wheel to a hub flange, mm. */
  flangeMm: 34,
  /** The usual tension of a spoke, N: changes are told in percent of it. */
  usualTensionN: 2000,
  hubRadiusMm: 45,
} as const;

/**
 * The effect of a turn of one nipple, at any place and on any spoke. Tightening is positive; spoke
 * 1 is the first one clockwise from the valve.
 */
export interface WheelModel {
  spokes: number;
  /** Toward the disc side at a place, mm for a turn. */
  sideMm: (spoke: number, deg: number) => number;
  /** Outward, mm for a turn. */
  upMm: (spoke: number, deg: number) => number;
  /** The gain of spoke `other`, in percent of the usual tension, for a turn. */
  tensionPct: (spoke: number, other: number) => number;
}

/**
 * Spokes by turns go to the disc side, +1, and to the other one, −1; the first one beside the valve
 * to the disc side.
 */
export const sideOfSpoke = (spoke: number): 1 | -1 => (spoke % 2 === 1 ? 1 : -1);

/** Solves a symmetric positive system for each of `rights`, by Cholesky; `a` is overwritten. */
const solve = (a: readonly Float64Array[], rights: readonly (readonly number[])[]): number[][] => {
  const n = a.length;
  for (let j = 0; j < n; j++) {
    for (let i = j; i < n; i++) {
      let sum = a[i]![j]!;
      for (let k = 0; k < j; k++) sum -= a[i]![k]! * a[j]![k]!;
      a[i]![j] = i === j ? Math.sqrt(sum) : sum / a[j]![j]!;
    }
  }
  return rights.map((right) => {
    const x = [...right];
    for (let i = 0; i < n; i++) {
      for (let k = 0; k < i; k++) x[i]! -= a[i]![k]! * x[k]!;
      x[i]! /= a[i]![i]!;
    }
    for (let i = n - 1; i >= 0; i--) {
      for (let k = i + 1; k < n; k++) x[i]! -= a[k]![i]! * x[k]!;
      x[i]! /= a[i]![i]!;
    }
    return x;
  });
};

/**
 * The difference of a wheel from the average one, as factors: the rim's bending both ways, a
 * spoke's stretch, its thread.
 */
interface WheelFeel {
  side: number;
  up: number;
  spoke: number;
  pitch: number;
}

const MIDDLING: WheelFeel = { side: 1, up: 1, spoke: 1, pitch: 1 };

/** The waves that so many spokes can tell apart, at a place: their mean, cosines, sines. */
const wavesAt = (spokes: number, rad: number): number[] => [
  1,
  ...Array.from({ length: spokes / 2 }, (_, i) => Math.cos((i + 1) * rad)),
  ...Array.from({ length: spokes / 2 - 1 }, (_, i) => Math.sin((i + 1) * rad)),
];

/** The wave numbers of the model's terms around the wheel. */
const waveNumbers = (spokes: number): number[] => [
  0,
  ...Array.from({ length: spokes / 2 }, (_, i) => i + 1),
  ...Array.from({ length: spokes / 2 - 1 }, (_, i) => i + 1),
];

/** Waves of these sizes added up at a place; each cosine and sine from the two before it. */
const sumOfWaves = (sizes: readonly number[], spokes: number, rad: number): number => {
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  let [c, s] = [1, 0];
  let sum = sizes[0]!;
  for (let n = 1; n <= spokes / 2; n++) {
    [c, s] = [c * cos - s * sin, s * cos + c * sin];
    sum += sizes[n]! * c;
    if (n < spokes / 2) sum += sizes[spokes / 2 + n]! * s;
  }
  return sum;
};

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, v, i) => sum + v * b[i]!, 0);

/**
 * The model of a wheel of `spokes` (even, 12 to 80) whose spokes meet the rim at `rimRadiusMm` (100
 * to 350).
 *
 * A wheel looks the same from every other spoke, so two turns are worked out, and all others are
 * theirs turned round.
 */
export const wheelModel = (
  spokes: number,
  rimRadiusMm: number,
  feel: WheelFeel = MIDDLING,
): WheelModel => {
  const reachMm = rimRadiusMm - SPOKE.hubRadiusMm;
  const lengthMm = Math.hypot(reachMm, SPOKE.flangeMm);
  const springNmm = (SPOKE.stretchN * feel.spoke) / lengthMm;
  const pitchMm = SPOKE.pitchMm * feel.pitch;
  const [across, along] = [SPOKE.flangeMm / lengthMm, reachMm / lengthMm];
  const numbers = waveNumbers(spokes);
  const waves = numbers.length;
  // A whole turn of a cosine or a sine weighs half of what a constant does.
  const weight = (n: number): number => (n === 0 ? 2 : 1) * Math.PI;
  const sideNmm = numbers.map(
    (n) =>
      ((weight(n) * RIM.sideBendingNmm2 * feel.side) / rimRadiusMm ** 3) *
      ((n ** 2 * (n ** 2 - 1) ** 2) / (n ** 2 + RIM.twist)),
  );
  const upNmm = numbers.map((n) =>
    n === 0
      ? (weight(0) * RIM.stretchN) / rimRadiusMm
      : ((weight(n) * RIM.upBendingNmm2 * feel.up) / rimRadiusMm ** 3) * (n ** 2 - 1) ** 2,
  );
  const rim = [...sideNmm, ...upNmm];
  const radOf = (spoke: number): number => ((spoke - 0.5) * 2 * Math.PI) / spokes;
  // How a spoke gets longer with each wave: outward by its reach, toward its own flange shorter.
  const stretch = Array.from({ length: spokes }, (_, i) => {
    const spoke = i + 1;
    const at = wavesAt(spokes, radOf(spoke));
    return [...at.map((v) => -sideOfSpoke(spoke) * across * v), ...at.map((v) => along * v)];
  });
  const whole = rim.map((own, p) => {
    const row = new Float64Array(rim.length);
    for (const its of stretch)
      for (let q = 0; q <= p; q++) row[q]! += springNmm * its[p]! * its[q]!;
    row[p]! += own;
    return row;
  });
  const answers = solve(
    whole,
    stretch.slice(0, 2).map((row) => row.map((v) => -springNmm * pitchMm * v)),
  );
  const gained = answers.map((answer, turned) =>
    stretch.map((row, at) => {
      const longerMm = dot(row, answer) + (at === turned ? pitchMm : 0);
      return (100 * springNmm * longerMm) / SPOKE.usualTensionN;
    }),
  );
  // Spoke 1 or 2, whichever goes to the same side, and how many spokes further on this one is.
  const alike = (spoke: number) => ({ like: (spoke - 1) % 2, onBy: spoke - 1 - ((spoke - 1) % 2) });
  const parts = answers.map((answer) => [answer.slice(0, waves), answer.slice(waves)]);
  const shape = (spoke: number, deg: number, part: 0 | 1): number => {
    const { like, onBy } = alike(spoke);
    return sumOfWaves(
      parts[like]![part]!,
      spokes,
      (deg * Math.PI) / 180 - (onBy * 2 * Math.PI) / spokes,
    );
  };
  return {
    spokes,
    sideMm: (spoke, deg) => shape(spoke, deg, 0),
    upMm: (spoke, deg) => shape(spoke, deg, 1),
    tensionPct: (spoke, other) => {
      const { like, onBy } = alike(spoke);
      return gained[like]![(other - 1 - onBy + spokes) % spokes]!;
    },
  };
};
