/**
 * Where a piece can go: its angle, and the length of rim that pieces centered there may take; null where length does
 * not matter.
 */
export interface Spot {
  deg: number;
  roomMm: number | null;
}

/** Pieces of one kind: so many, each so heavy and so long. */
export interface PieceKind {
  massG: number;
  count: number;
  lengthMm: number;
}

export interface PlaceProblem {
  /** What the pieces should add up to, grams: to the right of the valve, and toward it. */
  target: readonly [number, number];
  toleranceG: number;
  spots: readonly Spot[];
  kinds: readonly PieceKind[];
  perSpot: number;
  mostPieces: number;
  /** Once round the rim where pieces lie; with it no piece lies over another. */
  rimMm?: number;
  /**
   * More ways than this to pick out the pieces are not gone through: the search says that it did not prove anything.
   */
  mostWays?: number;
  /**
   * The tolerance as a regular polygon of so many sides round the circle's inside, for comparison with linear solvers.
   */
  polygon?: number;
  /** Asked now and then, with how many pieces are proved to be needed; true ends the search with the best so far. */
  stop?: (piecesAtLeast: number) => boolean;
}

/** A piece of a kind at a spot, both by their place in the question. */
export interface PickedPiece {
  spot: number;
  kind: number;
}

export interface PlaceAnswer {
  /** Null where nothing within tolerance was found. */
  picks: PickedPiece[] | null;
  residualG: number;
  massG: number;
  /** Fewer pieces than this cannot do it; as many as were picked where that is proved best. */
  piecesAtLeast: number;
  /** No other choice has fewer pieces, nor as few and less mass. */
  proved: boolean;
  nodes: number;
}

const RAD = Math.PI / 180;
/** Rounding of sums of grams. */
const EPS = 1e-9;
const ASK_EVERY = 4096;
const MOST_WAYS = 60_000;
/** Nodes after which a residual that is small enough is not made smaller. */
const POLISH_NODES = 20_000;

/** Whether two pieces on a rim of so many millimetres once round would lie over each other. */
export const liesOver = (aDeg: number, aMm: number, bDeg: number, bMm: number, rimMm: number): boolean => {
  const apartDeg = Math.abs(((((aDeg - bDeg) % 360) + 540) % 360) - 180);
  return (apartDeg / 360) * rimMm < (aMm + bMm) / 2 - EPS;
};

/** All ways to take `n` pieces from the kinds, as counts, by rising mass. */
const selections = (kinds: readonly PieceKind[], n: number): { counts: number[]; massG: number }[] => {
  const out: { counts: number[]; massG: number }[] = [];
  const counts = kinds.map(() => 0);
  const walk = (k: number, left: number, massG: number) => {
    if (k === kinds.length) {
      if (left === 0) out.push({ counts: [...counts], massG });
      return;
    }
    const { count, massG: each } = kinds[k]!;
    for (let c = 0; c <= Math.min(left, count); c++) {
      counts[k] = c;
      walk(k + 1, left - c, massG + c * each);
    }
    counts[k] = 0;
  };
  walk(0, n, 0);
  return out.sort((a, b) => a.massG - b.massG);
};

/** How many ways there are to take `n` pieces from the kinds. */
const waysToTake = (kinds: readonly PieceKind[], n: number): number => {
  let ways: number[] = Array.from({ length: n + 1 }, (_, i) => (i === 0 ? 1 : 0));
  for (const { count } of kinds)
    ways = ways.map((_, total) => ways.slice(Math.max(0, total - count), total + 1).reduce((a, b) => a + b, 0));
  return ways[n]!;
};

/**
 * The fewest pieces whose sum comes within the tolerance of the target, of these the lightest, and of those a small
 * residual.
 * Exact: every selection with fewer pieces or less mass is either tried out or shown to fall short. A piece turned by
 * `t` from
 * the target's direction loses m (1 − cos t) of its pull; what all of them may lose together bounds where they can go.
 */
export const searchPlaces = ({
  target,
  toleranceG,
  spots,
  kinds,
  perSpot,
  mostPieces,
  rimMm,
  mostWays = MOST_WAYS,
  polygon,
  stop,
}: PlaceProblem): PlaceAnswer => {
  const [tx, ty] = target;
  const distance = Math.hypot(tx, ty);
  const [dx, dy] = distance > EPS ? [tx / distance, ty / distance] : [0, 1];
  const inside = (x: number, y: number): boolean => {
    if (polygon === undefined) return x * x + y * y <= toleranceG * toleranceG + EPS;
    const apothem = toleranceG * Math.cos(Math.PI / polygon);
    for (let i = 0; i < polygon; i++) {
      const a = ((2 * i + 1) * Math.PI) / polygon;
      if (x * Math.cos(a) + y * Math.sin(a) > apothem + EPS) return false;
    }
    return true;
  };
  /** Whether a piece of this length would lie over one that is there already. */
  const lies = (picks: readonly PickedPiece[], spot: number, lengthMm: number): boolean =>
    rimMm !== undefined &&
    picks.some((p) => liesOver(spots[p.spot]!.deg, kinds[p.kind]!.lengthMm, spots[spot]!.deg, lengthMm, rimMm));
  let nodes = 0;
  let stopped = false;
  const none = (piecesAtLeast: number, proved: boolean): PlaceAnswer => ({
    picks: null,
    residualG: distance,
    massG: 0,
    piecesAtLeast,
    proved,
    nodes,
  });
  if (inside(tx, ty)) return { picks: [], residualG: distance, massG: 0, piecesAtLeast: 0, proved: true, nodes };

  // Nearest to the target's direction first.
  const order = spots
    .map((s, i) => ({ i, x: Math.sin(s.deg * RAD), y: Math.cos(s.deg * RAD), room: s.roomMm ?? Infinity }))
    .map((s) => ({ ...s, along: s.x * dx + s.y * dy }))
    .sort((a, b) => b.along - a.along || a.i - b.i);
  const used = order.map(() => 0);
  const roomLeft = order.map((s) => s.room);

  /** The most that these masses, heaviest first, can pull along the target, each spot taking as many as it may. */
  const mostPull = (masses: readonly number[]): number =>
    masses.reduce((sum, m, i) => sum + m * (order[Math.floor(i / perSpot)]?.along ?? -1), 0);

  const trySelection = (
    counts: readonly number[],
    bestOf: { picks: PickedPiece[] | null; residualG: number },
    polishTo: number,
  ): void => {
    const pieces = counts
      .flatMap((c, k) => Array<number>(c).fill(k))
      .sort((a, b) => kinds[b]!.massG - kinds[a]!.massG || a - b);
    const masses = pieces.map((k) => kinds[k]!.massG);
    const restMass = masses.map((_, i) => masses.slice(i).reduce((a, b) => a + b, 0));
    const restPull = masses.map((_, i) => mostPull(masses.slice(i)));
    if (restPull[0]! < distance - toleranceG - EPS) return;
    const picks: PickedPiece[] = [];
    const walk = (p: number, x: number, y: number, from: number): void => {
      if (stopped || (bestOf.picks && nodes > polishTo)) return;
      if (++nodes % ASK_EVERY === 0 && stop?.(pieces.length)) {
        stopped = true;
        return;
      }
      if (p === pieces.length) {
        const residualG = Math.hypot(tx - x, ty - y);
        if (inside(tx - x, ty - y) && residualG < bestOf.residualG - EPS)
          Object.assign(bestOf, { picks: picks.map((q) => ({ ...q })), residualG });
        return;
      }
      const k = pieces[p]!;
      const { massG, lengthMm } = kinds[k]!;
      const need = distance - toleranceG - EPS;
      const after = p + 1 < pieces.length ? restPull[p + 1]! : 0;
      const soFar = x * dx + y * dy;
      const restAfter = p + 1 < pieces.length ? restMass[p + 1]! : 0;
      for (let s = from; s < order.length; s++) {
        const spot = order[s]!;
        // Spots are in order of their pull: from here on all fall short.
        if (soFar + massG * spot.along + after < need) return;
        if (used[s]! >= perSpot || roomLeft[s]! < lengthMm || lies(picks, spot.i, lengthMm)) continue;
        const [nx, ny] = [x + massG * spot.x, y + massG * spot.y];
        if ((tx - nx) ** 2 + (ty - ny) ** 2 > (restAfter + toleranceG + EPS) ** 2) continue;
        used[s]!++;
        roomLeft[s]! -= lengthMm;
        picks.push({ spot: spot.i, kind: k });
        // Alike pieces go on in one order only.
        walk(p + 1, nx, ny, pieces[p + 1] === k ? s : 0);
        picks.pop();
        used[s]!--;
        roomLeft[s]! += lengthMm;
      }
    };
    walk(0, 0, 0, 0);
  };

  const heaviest = kinds
    .flatMap((k) => Array<number>(Math.min(k.count, mostPieces)).fill(k.massG))
    .sort((a, b) => b - a);
  for (let n = 1; n <= mostPieces; n++) {
    // Even the heaviest ones, where they pull most, fall short.
    if (mostPull(heaviest.slice(0, n)) < distance - toleranceG - EPS) continue;
    if (waysToTake(kinds, n) > mostWays) return none(n, false);
    let massG: number | null = null;
    const bestOf: { picks: PickedPiece[] | null; residualG: number } = { picks: null, residualG: Infinity };
    for (const selection of selections(kinds, n)) {
      // As light as the one found, it may still leave less.
      if (massG !== null && selection.massG > massG + EPS) break;
      trySelection(selection.counts, bestOf, nodes + POLISH_NODES);
      if (bestOf.picks && massG === null) massG = selection.massG;
      if (stopped) break;
    }
    if (bestOf.picks)
      return {
        picks: bestOf.picks,
        residualG: bestOf.residualG,
        massG: massG!,
        piecesAtLeast: n,
        proved: !stopped,
        nodes,
      };
    if (stopped) return none(n, false);
  }
  return none(mostPieces + 1, true);
};
