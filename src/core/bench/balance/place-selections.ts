import { EPS, type PieceKind } from './place-layout';

/** So many pieces of each kind, and what they weigh together. */
export interface Selection {
  counts: number[];
  massG: number;
}

interface Wanted {
  fromG: number;
  toG: number;
  fewest: number;
  most: number;
}

/**
 * All ways to take pieces whose number and mass lie within bounds, by rising mass; null where there
 * are more than `mostWays`.
 */
export const selectionsOf = (
  kinds: readonly PieceKind[],
  { fromG, toG, fewest, most }: Wanted,
  mostWays: number,
): Selection[] | null => {
  const out: Selection[] = [];
  const counts = kinds.map(() => 0);
  const heaviestAfter = kinds.map((_, k) =>
    Math.max(0, ...kinds.slice(k).map((kind) => (kind.count > 0 ? kind.massG : 0))),
  );
  const countAfter = kinds.map((_, k) => kinds.slice(k).reduce((sum, kind) => sum + kind.count, 0));
  let tooMany = false;
  const walk = (k: number, n: number, massG: number): void => {
    if (tooMany) return;
    if (k === kinds.length) {
      if (n < fewest || massG < fromG - EPS) return;
      if (out.length >= mostWays) tooMany = true;
      else out.push({ counts: [...counts], massG });
      return;
    }
    // Not enough pieces left, or not heavy enough ones.
    if (n + countAfter[k]! < fewest || massG + (most - n) * heaviestAfter[k]! < fromG - EPS) return;
    const { count, massG: each } = kinds[k]!;
    for (let c = 0; c <= Math.min(most - n, count) && massG + c * each <= toG + EPS; c++) {
      counts[k] = c;
      walk(k + 1, n + c, massG + c * each);
    }
    counts[k] = 0;
  };
  walk(0, 0, 0);
  return tooMany ? null : out.sort((a, b) => a.massG - b.massG);
};
