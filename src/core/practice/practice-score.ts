import type { MassVector } from '../balance';
import type { Friction, Shelf } from './practice-round';

/** A round that somebody tried, as it is sent in. */
export interface PracticeTried {
  id: string;
  who: string;
  seed: number;
  friction: Friction;
  shelf: Shelf;
  tries: MassVector[][];
  tookS: number;
}

/** A round with its score, as worked out from its wheel and its tries. `at` ISO 8601. */
export interface PracticeScore extends Omit<PracticeTried, 'tries'> {
  at: string;
  placements: number;
  leftG: number;
  within: boolean;
  advisedPlacements: number;
  advisedLeftG: number;
}

/** How somebody does at a level, over time: the middle of the placements of rounds that ended balanced. */
export interface PracticeStanding {
  rounds: number;
  balanced: number;
  /** Null while no round ended balanced. */
  medianPlacements: number | null;
  medianAdvised: number | null;
}

const middle = (values: readonly number[]): number | null => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length === 0 ? null : sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** The standing of these rounds, as they are. */
export const standingOf = (rounds: readonly PracticeScore[]): PracticeStanding => {
  const balanced = rounds.filter((r) => r.within);
  return {
    rounds: rounds.length,
    balanced: balanced.length,
    medianPlacements: middle(balanced.map((r) => r.placements)),
    medianAdvised: middle(balanced.map((r) => r.advisedPlacements)),
  };
};
