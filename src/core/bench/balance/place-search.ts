import { countSteps, EPS, layoutOf, type PickedPiece, type PlaceProblem } from './place-layout';
import { nearestPlaces } from './place-nearest';
import { selectionsOf, type Selection } from './place-selections';

interface PlaceAnswer {
  picks: PickedPiece[];
  /** Within the tolerance. Where nothing is, the picks are the ones that leave least. */
  within: boolean;
  residualG: number;
  massG: number;
  /**
   * The least that all pieces can weigh within the tolerance; null where it is not known, or
   * nothing is within.
   */
  leastMassG: number | null;
  /** Fewer pieces than this cannot do it at the mass that is allowed. */
  piecesAtLeast: number;
  /**
   * Within the tolerance: at up to the mass that is allowed no other choice has fewer pieces, nor
   * as few and less mass. Else: none leaves less, to `NEAREST_G`.
   */
  proved: boolean;
  nodes: number;
}

/** Nodes after which a residual that is small enough is not made smaller. */
const POLISH_NODES = 20_000;
const MAX_WAYS = 60_000;
/**
 * Above this many ways in a window the least mass is left open: finding it would take longer than
 * the rest.
 */
const WINDOW_WAYS = 20_000;

interface Tried {
  picks: PickedPiece[] | null;
  residualG: number;
}

/**
 * The fewest pieces whose sum comes within the tolerance of the target, at no more than
 * `massFactor` times the least mass that does; of these the lightest, and of those a small
 * residual. Where nothing comes within it, what leaves least. Exact: every selection that could be
 * better is either tried out or shown to fall short. A piece turned by `t` from the target's
 * direction loses m (1 − cos t) of its pull; what all of them may lose together bounds where they
 * can go.
 */
export const searchPlaces = (problem: PlaceProblem): PlaceAnswer => {
  const {
    target,
    toleranceG,
    kinds,
    perSpot,
    mostPieces,
    massFactor,
    mostWays = MAX_WAYS,
    polygon,
  } = problem;
  const [tx, ty] = target;
  const distance = Math.hypot(tx, ty);
  const [dx, dy] = distance > EPS ? [tx / distance, ty / distance] : [0, 1];
  const need = distance - toleranceG - EPS;
  const steps = countSteps(problem.stop);
  const layout = layoutOf(problem);
  const { spots } = layout;

  const inside = (x: number, y: number): boolean => {
    if (polygon === undefined) return x * x + y * y <= toleranceG * toleranceG + EPS;
    const apothem = toleranceG * Math.cos(Math.PI / polygon);
    for (let i = 0; i < polygon; i++) {
      const a = ((2 * i + 1) * Math.PI) / polygon;
      if (x * Math.cos(a) + y * Math.sin(a) > apothem + EPS) return false;
    }
    return true;
  };

  /**
   * The most that these masses, heaviest first, can pull along the target, each spot taking as many
   * as it may.
   */
  const mostPull = (masses: readonly number[]): number =>
    masses.reduce((sum, m, i) => sum + m * (spots[Math.floor(i / perSpot)]?.along ?? -1), 0);

  /**
   * Whether a selection comes within the tolerance; goes on for a smaller residual up to `polishTo`
   * nodes.
   */
  const trySelection = (counts: readonly number[], best: Tried, polishTo: number): void => {
    const pieces = counts
      .flatMap((c, k) => Array<number>(c).fill(k))
      .sort((a, b) => kinds[b]!.massG - kinds[a]!.massG || a - b);
    const masses = pieces.map((k) => kinds[k]!.massG);
    const restMass = [...masses.map((_, i) => masses.slice(i).reduce((a, b) => a + b, 0)), 0];
    const restPull = [...masses.map((_, i) => mostPull(masses.slice(i))), 0];
    if (restPull[0]! < need) return;
    const walk = (p: number, x: number, y: number, from: number): void => {
      if (steps.stopped || (best.picks && steps.taken > polishTo)) return;
      if (steps.next()) return;
      if (p === pieces.length) {
        const residualG = Math.hypot(tx - x, ty - y);
        if (inside(tx - x, ty - y) && residualG < best.residualG - EPS)
          Object.assign(best, { picks: layout.picks.map((q) => ({ ...q })), residualG });
        return;
      }
      const kind = pieces[p]!;
      const { massG } = kinds[kind]!;
      const soFar = x * dx + y * dy;
      for (let s = from; s < spots.length; s++) {
        const spot = spots[s]!;
        // Spots are in order of their pull: from here on all fall short.
        if (soFar + massG * spot.along + restPull[p + 1]! < need) return;
        const [nx, ny] = [x + massG * spot.x, y + massG * spot.y];
        if ((tx - nx) ** 2 + (ty - ny) ** 2 > (restMass[p + 1]! + toleranceG + EPS) ** 2) continue;
        if (!layout.fits(s, kind)) continue;
        layout.put(s, kind);
        // Alike pieces go on in one order only.
        walk(p + 1, nx, ny, pieces[p + 1] === kind ? s : 0);
        layout.takeBack();
      }
    };
    walk(0, 0, 0, 0);
  };

  /**
   * The first of several selections that does it, made as near as may be by those of the same mass.
   */
  const firstOf = (
    selections: readonly Selection[],
    polish: boolean,
  ): (Tried & { massG: number }) | null => {
    const best: Tried = { picks: null, residualG: Infinity };
    let massG: number | null = null;
    for (const selection of selections) {
      if (massG !== null && selection.massG > massG + EPS) break;
      trySelection(selection.counts, best, polish ? steps.taken + POLISH_NODES : 0);
      if (best.picks && massG === null) massG = selection.massG;
      if (steps.stopped || (best.picks && !polish)) break;
    }
    return massG === null ? null : { ...best, massG };
  };

  const heaviest = kinds
    .flatMap((k) => Array<number>(Math.min(k.count, mostPieces)).fill(k.massG))
    .sort((a, b) => b - a)
    .slice(0, mostPieces);
  /**
   * Whether not even the heaviest so many, where they pull most, come near: then no mass that is
   * allowed helps.
   */
  const fallShort = (n: number): boolean => mostPull(heaviest.slice(0, n)) < need;

  /**
   * The least mass within the tolerance, window by window upward; null where nothing is, undefined
   * if not proved.
   */
  const leastMass = (): number | null | undefined => {
    if (heaviest.every((_, n) => fallShort(n + 1))) return null;
    const highestG = heaviest.reduce((sum, m) => sum + m, 0);
    const widthG = Math.max(toleranceG, distance / 20);
    for (let fromG = need; fromG <= highestG + EPS; fromG += widthG) {
      const window = { fromG, toG: fromG + widthG, fewest: 1, most: mostPieces };
      const selections = selectionsOf(kinds, window, Math.min(mostWays, WINDOW_WAYS));
      if (!selections) return undefined;
      const first = firstOf(selections, false);
      if (first) return first.massG;
      if (steps.stopped) return undefined;
    }
    return null;
  };

  if (inside(tx, ty))
    return {
      picks: [],
      within: true,
      residualG: distance,
      massG: 0,
      leastMassG: 0,
      piecesAtLeast: 0,
      proved: true,
      nodes: 0,
    };

  const leastMassG = leastMass();
  if (leastMassG === null) {
    const nearest = nearestPlaces(problem, steps);
    return {
      ...nearest,
      within: false,
      leastMassG,
      piecesAtLeast: mostPieces + 1,
      nodes: steps.taken,
    };
  }
  // Not known exactly it is at least what has to be pulled: an answer within that is within the
  // factor all the more.
  const toG = massFactor * (leastMassG ?? Math.max(0, need));
  let piecesAtLeast = 1;
  // Without the least mass it is proved only where all fewer pieces fall short, whatever they
  // weigh.
  let isProved = true;
  for (let n = 1; n <= mostPieces && !steps.stopped; n++) {
    if (fallShort(n)) {
      piecesAtLeast = n + 1;
      continue;
    }
    const selections = selectionsOf(kinds, { fromG: need, toG, fewest: n, most: n }, mostWays);
    if (!selections) break;
    const first = firstOf(selections, true);
    if (first?.picks)
      return {
        picks: first.picks,
        within: true,
        residualG: first.residualG,
        massG: first.massG,
        leastMassG: leastMassG ?? null,
        piecesAtLeast,
        proved: isProved && !steps.stopped,
        nodes: steps.taken,
      };
    if (leastMassG === undefined) isProved = false;
    if (!steps.stopped) piecesAtLeast = n + 1;
  }
  // The search ended before it was clear whether anything does it.
  const nearest = nearestPlaces(problem, steps);
  const within = nearest.residualG <= toleranceG + EPS;
  return {
    ...nearest,
    within,
    leastMassG: leastMassG ?? null,
    piecesAtLeast,
    proved: false,
    nodes: steps.taken,
  };
};
