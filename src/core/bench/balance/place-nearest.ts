import { EPS, layoutOf, type PickedPiece, type PlaceProblem, type Steps } from './place-layout';

/** The pieces that leave least, and whether that is proved. */
interface Nearest {
  picks: PickedPiece[];
  residualG: number;
  massG: number;
  proved: boolean;
}

/** Residuals nearer to each other than this are alike: no scale of a shop tells them apart. */
export const NEAREST_G = 0.05;
/** Every place is looked at in each node of this search. */
const STEPS_A_NODE = 8;
const RAD = Math.PI / 180;

/**
 * The pieces that leave least, to `NEAREST_G`, whatever they weigh; of those about alike the one
 * found first. Exact by branch and bound unless the steps run out: pieces still to come shorten
 * what is left by no more than their masses, each where it would pull most against it.
 */
export const nearestPlaces = (problem: PlaceProblem, steps: Steps): Nearest => {
  const { target, kinds, mostPieces } = problem;
  const layout = layoutOf(problem);
  const { spots } = layout;
  const order = kinds.map((_, k) => k).sort((a, b) => kinds[b]!.massG - kinds[a]!.massG);
  const left = kinds.map((k) => Math.min(k.count, mostPieces));
  const best: Nearest = { picks: [], residualG: Math.hypot(...target), massG: 0, proved: true };
  const byDeg = spots.map((s) => s.deg).sort((a, b) => a - b);

  /** Cosine between a direction and the spot nearest to it. */
  const bestCos = (x: number, y: number): number => {
    const deg = (Math.atan2(x, y) / RAD + 360) % 360;
    let [low, high] = [0, byDeg.length];
    while (low < high) {
      const mid = (low + high) >> 1;
      if (byDeg[mid]! < deg) low = mid + 1;
      else high = mid;
    }
    const near = [byDeg[low % byDeg.length]!, byDeg[(low + byDeg.length - 1) % byDeg.length]!];
    return Math.max(...near.map((d) => Math.cos((d - deg) * RAD)));
  };

  /** The most that `n` pieces of this kind and the lighter ones after it weigh. */
  const heaviest = (from: number, n: number): number => {
    let [sum, wanted] = [0, n];
    for (let o = from; o < order.length && wanted > 0; o++) {
      const take = Math.min(left[order[o]!]!, wanted);
      sum += take * kinds[order[o]!]!.massG;
      wanted -= take;
    }
    return sum;
  };

  const note = (residualG: number, massG: number): void => {
    if (residualG < best.residualG - EPS)
      Object.assign(best, { residualG, massG, picks: layout.picks.map((p) => ({ ...p })) });
  };

  /** `from` in `order`, and for another piece of the same kind the first spot it may take. */
  const walk = (
    from: number,
    fromSpot: number,
    x: number,
    y: number,
    n: number,
    massG: number,
  ): void => {
    if (steps.next(STEPS_A_NODE)) return;
    const residualG = Math.hypot(x, y);
    note(residualG, massG);
    if (n === mostPieces || from === order.length) return;
    const reach = heaviest(from, mostPieces - n);
    // Each piece to come shortens it by its mass at most; off its direction by less.
    const least = residualG - reach * Math.max(0, bestCos(x, y));
    if (Math.max(0, least) >= best.residualG - NEAREST_G) return;
    for (let o = from; o < order.length; o++) {
      const kind = order[o]!;
      if (left[kind]! === 0) continue;
      const { massG: each } = kinds[kind]!;
      const start = o === from ? fromSpot : 0;
      const tried = [];
      for (let s = start; s < spots.length; s++) {
        if (!layout.fits(s, kind)) continue;
        const [nx, ny] = [x - each * spots[s]!.x, y - each * spots[s]!.y];
        tried.push({ s, nx, ny, to: nx * nx + ny * ny });
      }
      // What brings it nearest first: a good answer early cuts off the rest.
      tried.sort((a, b) => a.to - b.to);
      for (const { s, nx, ny } of tried) {
        if (steps.stopped) return;
        layout.put(s, kind);
        left[kind]!--;
        walk(o, s, nx, ny, n + 1, massG + each);
        left[kind]!++;
        layout.takeBack();
      }
    }
  };
  /** A first answer, whatever the steps: piece by piece what brings it nearest. */
  const dive = (x: number, y: number, n: number, massG: number): void => {
    note(Math.hypot(x, y), massG);
    let [next, to] = [{ s: -1, kind: -1 }, Math.hypot(x, y) - EPS];
    for (let kind = 0; kind < kinds.length && n < mostPieces; kind++)
      for (let s = 0; s < spots.length && left[kind]! > 0; s++) {
        const { massG: each } = kinds[kind]!;
        const then = Math.hypot(x - each * spots[s]!.x, y - each * spots[s]!.y);
        if (then < to && layout.fits(s, kind)) [next, to] = [{ s, kind }, then];
      }
    if (next.s < 0) return;
    const { massG: each } = kinds[next.kind]!;
    layout.put(next.s, next.kind);
    left[next.kind]!--;
    dive(x - each * spots[next.s]!.x, y - each * spots[next.s]!.y, n + 1, massG + each);
    left[next.kind]!++;
    layout.takeBack();
  };
  dive(target[0], target[1], 0, 0);
  walk(0, 0, target[0], target[1], 0, 0);
  return { ...best, proved: !steps.stopped };
};
