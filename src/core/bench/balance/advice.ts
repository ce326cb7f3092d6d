import type { Known } from './belief';
import type { Doubt } from './doubt';
import type { MassVector } from './mass-vector';
import type { Observation } from './observation';
import type { Learns } from './played-wheels';

/** What to do next, and what is expected of it. */
export type Advice =
  /** `turned`: with the wheel turned around on its stand, which shows a stand that is not level. */
  | { do: 'settle'; from: 'left' | 'right' | null; turned?: true; learns?: Learns }
  /** The place is held at 3 o'clock (right) or at 9 o'clock. */
  | { do: 'level'; deg: number; at: 'left' | 'right' }
  /** On a machine, that is used from the start: spun again with what is on now. */
  | { do: 'spin' }
  | { do: 'trial'; massG: number; deg: number; chance: number; learns: Learns }
  /** `pieces` make up the counterweight; `chance` that they leave it balanced. */
  | {
      do: 'final';
      massG: number;
      deg: number;
      pieces: readonly MassVector[];
      chance: number;
      /** What is on stays, and a known piece more tells whether the belief is right. */
      check?: boolean;
    }
  /** Checked on the stand or by a machine with the weights that are on. */
  | { do: 'done'; chance: number }
  /**
   * What was seen contradicts itself, the last readings do not bear out a balanced wheel, or
   * nothing in stock does better: someone has to look.
   */
  | { do: 'look'; why: LookWhy; leftG: number };

/** Why someone has to look. */
export type LookWhy = 'contradiction' | 'unproved' | 'shelf';

export interface AdviceInput {
  seen: readonly Observation[];
  known?: Known;
  /** What is on the wheel now. */
  on: readonly MassVector[];
  /** What contradicts itself of what was seen, and whether the other readings have settled it. */
  doubt?: (Doubt & { settled: boolean }) | null;
  toleranceG: number;
  /** Where a single piece can stay, nearest to a place; null where nothing is free. */
  stayAt?: (deg: number, massG: number) => number | null;
  /** The lightest piece at hand; null where there is none. */
  lightestG?: number | null;
  /** Masses that a trial can have, from the pieces at hand. */
  trialsG: readonly number[];
  /**
   * Where a trial of this mass can be taped, nearest to a place; null where nothing near is free.
   */
  trialAt?: (deg: number, massG: number) => number | null;
  /**
   * The pieces that would go on for a counterweight; the counterweight itself where it is left out.
   */
  realize?: (
    counter: MassVector,
    chanceOf: (pieces: readonly MassVector[]) => number,
  ) => readonly MassVector[];
}
