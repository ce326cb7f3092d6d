import type { AnyWorking, Working } from '../base/working';
import type { Played } from './played';

/** The name of a kind of practice, what one does, and what scores a round of it. */
export interface PracticeSpec {
  title: string;
  /** The task, in two or three sentences. */
  does: string;
  levels: readonly string[];
  /** The cost of a round, one and many. */
  counts: readonly [string, string];
  /** Scores a round: input `{ seed, level, acts, rules }`. */
  scores: AnyWorking & { run(input: never): Working<Played> };
}
