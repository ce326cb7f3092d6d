import { cellAt, type Belief } from './belief';
import { REGION_HOLDS } from './region-share';

/** Looked up once: they run a million times for a wheel. */
const { floor, hypot, cos, sin } = Math;

/** The region is drawn by so many rays from its middle. */
const RAYS = 60;
const STEPS = 220;

/** Density of the belief at a point, probability per cell, between the middles of cells. */
const densityAt = ({ patch, cells, mass }: Belief, x: number, y: number): number => {
  const [dx, dy] = [x - patch.x, y - patch.y];
  const u = ((dx * patch.cos + dy * patch.sin + patch.halfU) / (2 * patch.halfU)) * cells - 0.5;
  const v = ((dy * patch.cos - dx * patch.sin + patch.halfV) / (2 * patch.halfV)) * cells - 0.5;
  const [i, j] = [floor(u), floor(v)];
  const at = (a: number, b: number) =>
    a < 0 || b < 0 || a >= cells || b >= cells ? 0 : mass[b * cells + a]!;
  const [fu, fv] = [u - i, v - j];
  return (
    at(i, j) * (1 - fu) * (1 - fv) +
    at(i + 1, j) * fu * (1 - fv) +
    at(i, j + 1) * (1 - fu) * fv +
    at(i + 1, j + 1) * fu * fv
  );
};

/** The density that the most probable cells reach down to until they hold `share` of the belief. */
const levelOf = ({ mass }: Belief, share: number): number => {
  let sum = 0;
  for (const m of [...mass].sort((a, b) => b - a)) if ((sum += m) >= share) return m;
  return 0;
};

/**
 * The smallest region that holds `share` of the belief, as a polygon of grams (x to the right of
 * the valve, y toward it), seen from its most probable place: along each ray to the last point that
 * belongs to it.
 */
export const regionOf = (belief: Belief, share = REGION_HOLDS): (readonly [number, number])[] => {
  const level = levelOf(belief, share);
  const top = belief.mass.reduce((best, m, i) => (m > belief.mass[best]! ? i : best), 0);
  const [cx, cy] = cellAt(belief, top);
  const { patch } = belief;
  const reach = 2 * hypot(patch.halfU, patch.halfV);
  return Array.from({ length: RAYS }, (_, k) => {
    // Rays lie closer along the patch's long side, where the region is.
    const turn = (2 * Math.PI * k) / RAYS;
    const [ru, rv] = [cos(turn) * patch.halfU, sin(turn) * patch.halfV];
    const length = hypot(ru, rv);
    const [ex, ey] = [
      (ru * patch.cos - rv * patch.sin) / length,
      (ru * patch.sin + rv * patch.cos) / length,
    ];
    let last = 0;
    for (let s = 1; s <= STEPS; s++) {
      const r = (reach * s) / STEPS;
      if (densityAt(belief, cx + ex * r, cy + ey * r) >= level) last = r;
    }
    return [cx + ex * last, cy + ey * last] as const;
  });
};

/** Whether a point lies in a polygon, by the even number of edges that a ray crosses. */
export const isInside = (
  polygon: readonly (readonly [number, number])[],
  x: number,
  y: number,
): boolean => {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const [[xi, yi], [xj, yj]] = [polygon[i]!, polygon[j]!];
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside;
  }
  return inside;
};
