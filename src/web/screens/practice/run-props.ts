import type { RoundAt } from './use-round';

/** What a run of any kind is given. */
export interface RunProps {
  at: RoundAt;
  who: string;
  /** All that was done, and the seconds it took. */
  onDone: (acts: readonly unknown[], tookS: number) => void;
}
