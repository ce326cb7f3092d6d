import type { Known } from './belief';
import type { Doubt } from './doubt';
import type { MassVector } from './mass-vector';
import type { Observation } from './observation';
import type { Learns } from './played-wheels';

/** The next thing to do, and what is expected of it. */
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
      /** The present weights stay, and a known piece more tells whether the belief is right. */
      check?: boolean;
    }
  /** Checked on the stand or by a machine with the weights that are on. */
  | { do: 'done'; chance: number }
  /**
   * The readings contradict each other, the last ones do not bear out a balanced wheel, or nothing
   * in stock does better: someone has to look.
   */
  | { do: 'look'; why: LookWhy; leftG: number };

/** Why someone has to look. */
export type LookWhy = 'contradiction' | 'unproved' | 'shelf';

export interface AdviceInput {
  seen: readonly Observation[];
  known?: Known;
  /** The weights on the wheel now. */
  on: readonly MassVector[];
  /** The contradiction in the readings, and whether the other ones have settled it. */
  doubt?: (Doubt & { settled: boolean }) | null;
  toleranceG: number;
  /** The place nearest to one where a single piece can stay; null if nothing is free. */
  stayAt?: (deg: number, massG: number) => number | null;
  /** The lightest piece at hand; null where there is none. */
  lightestG?: number | null;
  /** Masses that a trial can have, from the pieces at hand. */
  trialsG: readonly number[];
  /**
   * The place nearest to one where a trial of this mass can be taped; null if nothing near is free.
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
