import type { AnyWorking, Working } from '../base/working';
import type { Played } from './played';

/** What a kind of practice is called, what one does, and what scores a round of it. */
export interface PracticeSpec {
  title: string;
  /** What one does, in two or three sentences. */
  does: string;
  levels: readonly string[];
  /** What a round costs, one and many. */
  counts: readonly [string, string];
  /** Scores a round: input `{ seed, level, acts, rules }`. */
  scores: AnyWorking & { run(input: never): Working<Played> };
}
