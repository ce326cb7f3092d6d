import type { RoundAt } from './use-round';

/** The props of a run of any kind. */
export interface RunProps {
  at: RoundAt;
  who: string;
  /** All that was done, and the seconds it took. */
  onDone: (acts: readonly unknown[], tookS: number) => void;
}
