import loadHighs from 'highs';
import type { PlaceProblem } from '../src/core/bench/balance';
import { seeded } from '../src/core/base/statistics';

/**
 * Sides of the polygon that stands for the tolerance circle, so that a linear solver can take it.
 */
export const SIDES = 24;

/**
 * A random shelf, a random rim and a counterweight wanted: up to 36 places, 6 kinds of weight, 12
 * pieces.
 */
export const placeInstance = (seed: number): PlaceProblem => {
  const chance = seeded(seed * 31 + 7);
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  const places = whole(8, 36);
  const masses = [5, 7, 10, 14, 15, 20, 25, 28, 30, 40]
    .sort(() => chance() - 0.5)
    .slice(0, whole(2, 6))
    .sort((a, b) => a - b);
  const [massG, deg] = [8 + 90 * chance(), 360 * chance()];
  return {
    target: [massG * Math.sin((deg * Math.PI) / 180), massG * Math.cos((deg * Math.PI) / 180)],
    toleranceG: whole(2, 6),
    spots: Array.from({ length: places }, (_, i) => ({
      deg: (i * 360) / places,
      roomMm: chance() < 0.2 ? 25 : 60,
    })),
    kinds: masses.map((m) => ({ massG: m, count: whole(0, 8), lengthMm: m * 1.6 })),
    perSpot: whole(1, 3),
    mostPieces: 12,
    polygon: SIDES,
    massFactor: chance() < 0.3 ? 1 : 1 + 0.6 * chance(),
  };
};

/** The same with pieces stuck side by side round a rim, none over another. */
export const stripInstance = (seed: number): PlaceProblem => {
  const it = placeInstance(seed);
  return {
    ...it,
    spots: it.spots.map((s) => ({ ...s, roomMm: s.roomMm === 25 ? 25 : null })),
    rimMm: 1300,
    perSpot: 1,
  };
};

/** Between two neighboring ends of pieces at most one piece lies: the rows that say so. */
const oneOverAnother = (
  all: readonly { name: string; deg: number; lengthMm: number }[],
  rimMm: number,
): string[] => {
  const ends = (v: (typeof all)[number]) =>
    [(v.deg / 360) * rimMm - v.lengthMm / 2, (v.deg / 360) * rimMm + v.lengthMm / 2] as const;
  const marks = [
    ...new Set(
      all.flatMap((v) => ends(v).map((e) => Number((((e % rimMm) + rimMm) % rimMm).toFixed(6)))),
    ),
  ].sort((a, b) => a - b);
  const rows = marks.map((from, i) => {
    const at = i + 1 < marks.length ? (from + marks[i + 1]!) / 2 : (from + marks[0]! + rimMm) / 2;
    const over = all.filter((v) =>
      [-rimMm, 0, rimMm].some((turn) => at + turn > ends(v)[0] && at + turn < ends(v)[1]),
    );
    return over.map((v) => `+ 1 ${v.name}`).join(' ');
  });
  return [...new Set(rows)].filter((row) => row.includes(' + ')).map((row) => `${row} <= 1`);
};

/**
 * The same problem for a linear solver: the least mass, or at up to so much mass the fewest pieces
 * and then the least.
 */
export const asLinear = (
  { target, toleranceG, spots, kinds, perSpot, mostPieces, rimMm }: PlaceProblem,
  upToG: number | null,
): string => {
  const name = (s: number, k: number) => `x${s}_${k}`;
  const all = spots.flatMap((spot, s) =>
    kinds.map((kind, k) => ({
      s,
      k,
      massG: kind.massG,
      lengthMm: kind.lengthMm,
      x: Math.sin((spot.deg * Math.PI) / 180),
      y: Math.cos((spot.deg * Math.PI) / 180),
    })),
  );
  const sum = (terms: { name: string; by: number }[]) =>
    terms
      .filter((t) => Math.abs(t.by) > 1e-12)
      .map((t) => `${t.by < 0 ? '-' : '+'} ${Math.abs(t.by).toFixed(9)} ${t.name}`)
      .join(' ') || `+ 0 ${name(0, 0)}`;
  const rows: string[] = [];
  const apothem = toleranceG * Math.cos(Math.PI / SIDES);
  for (let i = 0; i < SIDES; i++) {
    const a = ((2 * i + 1) * Math.PI) / SIDES;
    const [nx, ny] = [Math.cos(a), Math.sin(a)];
    rows.push(
      `${sum(all.map((v) => ({ name: name(v.s, v.k), by: -v.massG * (v.x * nx + v.y * ny) })))} <= ${(apothem - target[0] * nx - target[1] * ny).toFixed(9)}`,
    );
  }
  spots.forEach((spot, s) => {
    const here = all.filter((v) => v.s === s);
    rows.push(`${sum(here.map((v) => ({ name: name(v.s, v.k), by: 1 })))} <= ${perSpot}`);
    rows.push(
      `${sum(here.map((v) => ({ name: name(v.s, v.k), by: v.lengthMm })))} <= ${spot.roomMm ?? 1e6}`,
    );
  });
  kinds.forEach((kind, k) =>
    rows.push(
      `${sum(all.filter((v) => v.k === k).map((v) => ({ name: name(v.s, v.k), by: 1 })))} <= ${kind.count}`,
    ),
  );
  rows.push(`${sum(all.map((v) => ({ name: name(v.s, v.k), by: 1 })))} <= ${mostPieces}`);
  if (rimMm !== undefined)
    rows.push(
      ...oneOverAnother(
        all.map((v) => ({ name: name(v.s, v.k), deg: spots[v.s]!.deg, lengthMm: v.lengthMm })),
        rimMm,
      ),
    );
  if (upToG !== null)
    rows.push(`${sum(all.map((v) => ({ name: name(v.s, v.k), by: v.massG })))} <= ${upToG}`);
  const piece = upToG === null ? 0 : 1000;
  return `Minimize\n obj: ${sum(all.map((v) => ({ name: name(v.s, v.k), by: piece + v.massG })))}\nSubject To\n${rows.map((r, i) => ` r${i}: ${r}`).join('\n')}\nGeneral\n ${all.map((v) => name(v.s, v.k)).join(' ')}\nEnd`;
};

/**
 * Least mass, and within its factor fewest pieces and their mass, by the linear solver; null where
 * nothing does it.
 */
export const linearSolver = async () => {
  const highs = await loadHighs();
  const solved = (text: string): number | null => {
    const solution = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0.4 });
    return solution.Status === 'Optimal' ? Math.round(solution.ObjectiveValue) : null;
  };
  return (problem: PlaceProblem): { leastMassG: number; pieces: number; massG: number } | null => {
    const leastMassG = solved(asLinear(problem, null));
    if (leastMassG === null) return null;
    // Masses are whole grams: a hair more is no more mass.
    const value = solved(asLinear(problem, problem.massFactor * leastMassG + 1e-6))!;
    return { leastMassG, pieces: Math.floor(value / 1000), massG: value % 1000 };
  };
};
