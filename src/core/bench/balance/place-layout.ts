/**
 * A place for a piece: its angle, and the length of rim that pieces centered there may take; null
 * if length does not matter.
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
  /**
   * The vector that the pieces should add up to, grams: to the right of the valve, and toward it.
   */
  target: readonly [number, number];
  toleranceG: number;
  spots: readonly Spot[];
  kinds: readonly PieceKind[];
  perSpot: number;
  mostPieces: number;
  /** All pieces weigh at most so many times the least that does it, 1 or more. */
  massFactor: number;
  /** Once round the rim where pieces lie; with it no piece lies over another. */
  rimMm?: number;
  /**
   * More ways than this to pick out pieces are not gone through: the search says then that it did
   * not prove it.
   */
  mostWays?: number;
  /**
   * The tolerance as a regular polygon of so many sides round the circle's inside, for comparison
   * with linear solvers.
   */
  polygon?: number;
  /** Asked now and then; true ends the search with the best so far. */
  stop?: () => boolean;
}

/** A piece of a kind at a spot, both by their place in the question. */
export interface PickedPiece {
  spot: number;
  kind: number;
}

const RAD = Math.PI / 180;
/** Rounding of sums of grams. */
export const EPS = 1e-9;

/** Whether two pieces on a rim of so many millimetres once round would lie over each other. */
const liesOver = (aDeg: number, aMm: number, bDeg: number, bMm: number, rimMm: number): boolean => {
  const apartDeg = Math.abs(((((aDeg - bDeg) % 360) + 540) % 360) - 180);
  return (apartDeg / 360) * rimMm < (aMm + bMm) / 2 - EPS;
};

/** A spot with its direction, and how much of a gram there pulls toward the target. */
interface DirectedSpot {
  /** Its place in the question. */
  i: number;
  deg: number;
  x: number;
  y: number;
  along: number;
}

/** A rim that pieces are laid on and taken off again, one by one. */
export interface Layout {
  /** The spot that pulls most toward the target first. */
  spots: readonly DirectedSpot[];
  picks: PickedPiece[];
  /** Whether one more piece of a kind fits at a spot, by its place in `spots`. */
  fits(spot: number, kind: number): boolean;
  put(spot: number, kind: number): void;
  takeBack(): void;
}

/** An empty rim for a question. */
export const layoutOf = ({ target, spots, kinds, perSpot, rimMm }: PlaceProblem): Layout => {
  const distance = Math.hypot(...target);
  const [dx, dy] = distance > EPS ? [target[0] / distance, target[1] / distance] : [0, 1];
  const directed = spots
    .map((s, i) => ({ i, deg: s.deg, x: Math.sin(s.deg * RAD), y: Math.cos(s.deg * RAD) }))
    .map((s) => ({ ...s, along: s.x * dx + s.y * dy }))
    .sort((a, b) => b.along - a.along || a.i - b.i);
  const used = directed.map(() => 0);
  const roomLeft = directed.map((s) => spots[s.i]!.roomMm ?? Infinity);
  const picks: PickedPiece[] = [];
  const at: number[] = [];
  /** Pieces at one spot lie side by side: so much rim they take together. */
  const takenMm = directed.map(() => 0);
  return {
    spots: directed,
    picks,
    fits(spot, kind) {
      const { lengthMm } = kinds[kind]!;
      if (used[spot]! >= perSpot || roomLeft[spot]! < lengthMm) return false;
      if (rimMm === undefined) return true;
      const mm = takenMm[spot]! + lengthMm;
      return at.every(
        (other) =>
          other === spot ||
          !liesOver(directed[other]!.deg, takenMm[other]!, directed[spot]!.deg, mm, rimMm),
      );
    },
    put(spot, kind) {
      used[spot]!++;
      roomLeft[spot]! -= kinds[kind]!.lengthMm;
      takenMm[spot]! += kinds[kind]!.lengthMm;
      at.push(spot);
      picks.push({ spot: directed[spot]!.i, kind });
    },
    takeBack() {
      const { kind } = picks.pop()!;
      const spot = at.pop()!;
      takenMm[spot]! -= kinds[kind]!.lengthMm;
      used[spot]!--;
      roomLeft[spot]! += kinds[kind]!.lengthMm;
    },
  };
};

/**
 * A count of choices that were looked at, which says now and then whether there is an end to it.
 */
export interface Steps {
  readonly taken: number;
  readonly stopped: boolean;
  /** So many more; true when the search is to end. */
  next(by?: number): boolean;
}

const ASK_EVERY = 4096;

export const countSteps = (stop: (() => boolean) | undefined): Steps => {
  const steps = {
    taken: 0,
    stopped: false,
    next(by = 1) {
      const before = Math.floor(steps.taken / ASK_EVERY);
      steps.taken += by;
      for (let asked = before; asked < Math.floor(steps.taken / ASK_EVERY); asked++)
        if (stop?.()) steps.stopped = true;
      return steps.stopped;
    },
  };
  return steps;
};
