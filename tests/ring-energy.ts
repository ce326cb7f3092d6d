import { RIM, SPOKE } from '../src/core/bench/truing/wheel-model';

/** Points round the rim: one for each degree. */
const POINTS = 360;

/**
 * The rim's place after nipples were turned: toward the disc side and outward at each degree, mm.
 */
export interface RingShape {
  sideMm: number[];
  upMm: number[];
}

/**
 * A laced rim at rest, found by going downhill in its energy: a ring of points that bends, twists
 * and stretches, held by springs. It knows no waves and shares nothing with the model but the sizes
 * of the parts.
 *
 * Out of its plane a ring bends by φ − u″ and twists by φ′ + u′ (u over the radius); in its plane
 * it bends by w″ + w.
 */
export const ringAtRest = (
  spokes: number,
  radiusMm: number,
  turns: readonly number[],
): RingShape => {
  const h = (2 * Math.PI) / POINTS;
  const reachMm = radiusMm - SPOKE.hubRadiusMm;
  const lengthMm = Math.hypot(reachMm, SPOKE.flangeMm);
  const spring = SPOKE.stretchN / lengthMm;
  const at = turns.map((_, i) => Math.round(((i + 0.5) * POINTS) / spokes));
  const on = (i: number) => (i + POINTS) % POINTS;
  // Unknowns: side, twist × radius and up at each point. The gradient of the energy is linear in
  // them, less the turns' pull.
  const gradient = (x: Float64Array, pull: boolean): Float64Array => {
    const g = new Float64Array(3 * POINTS);
    const [u, t, w] = [0, POINTS, 2 * POINTS];
    const bend = (RIM.sideBendingNmm2 / radiusMm ** 3) * h;
    const twist = bend / RIM.twist;
    const flat = (RIM.upBendingNmm2 / radiusMm ** 3) * h;
    let mean = 0;
    for (let i = 0; i < POINTS; i++) {
      const [before, after] = [on(i - 1), on(i + 1)];
      const curve = x[t + i]! - (x[u + before]! - 2 * x[u + i]! + x[u + after]!) / h ** 2;
      g[t + i]! += bend * curve;
      g[u + before]! -= (bend * curve) / h ** 2;
      g[u + i]! += (2 * bend * curve) / h ** 2;
      g[u + after]! -= (bend * curve) / h ** 2;
      const turn = (x[t + after]! - x[t + i]! + x[u + after]! - x[u + i]!) / h;
      for (const k of [t, u]) {
        g[k + after]! += (twist * turn) / h;
        g[k + i]! -= (twist * turn) / h;
      }
      const round = (x[w + before]! - 2 * x[w + i]! + x[w + after]!) / h ** 2 + x[w + i]!;
      g[w + before]! += (flat * round) / h ** 2;
      g[w + i]! += flat * round * (1 - 2 / h ** 2);
      g[w + after]! += (flat * round) / h ** 2;
      mean += x[w + i]! / POINTS;
    }
    const hoop = ((2 * Math.PI * RIM.stretchN) / radiusMm) * (mean / POINTS);
    for (let i = 0; i < POINTS; i++) g[w + i]! += hoop;
    at.forEach((point, i) => {
      const toDisc = i % 2 === 0 ? SPOKE.flangeMm : -SPOKE.flangeMm;
      const along = (reachMm * x[w + point]! - toDisc * x[u + point]!) / lengthMm;
      const force = spring * (along + (pull ? turns[i]! * SPOKE.pitchMm : 0));
      g[w + point]! += (force * reachMm) / lengthMm;
      g[u + point]! -= (force * toDisc) / lengthMm;
    });
    return g;
  };
  // Conjugate gradients.
  const x = new Float64Array(3 * POINTS);
  const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
  const rest = gradient(x, true).map((v) => -v);
  let way = Float64Array.from(rest);
  let size = dot(rest, rest);
  const enough = size * 1e-18;
  for (let step = 0; step < 60_000 && size > enough; step++) {
    const pushed = gradient(way, false);
    const far = size / dot(way, pushed);
    for (let i = 0; i < x.length; i++) {
      x[i]! += far * way[i]!;
      rest[i]! -= far * pushed[i]!;
    }
    const next = dot(rest, rest);
    way = way.map((v, i) => rest[i]! + (next / size) * v);
    size = next;
  }
  return { sideMm: [...x.slice(0, POINTS)], upMm: [...x.slice(2 * POINTS)] };
};
