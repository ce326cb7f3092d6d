import { createContext, useContext } from 'react';
import type {
  Entry,
  EntryKind,
  JobState,
  JobSummary,
  StationId,
  StationReport,
} from '../../core/job';
import type { Machine, Wheel } from '../../core/fit/wheels';
import type { ShopAnswer } from '../store/api';
import type { Writing } from '../store/job-writing';

/** The job at hand, as every station knows it. */
export interface JobAtHand {
  job: JobSummary;
  log: readonly Entry[];
  state: JobState;
  machine: Machine;
  wheel: Wheel;
  station: StationId;
  report: StationReport;
  reports: readonly StationReport[];
  /** All wheels of its machine; none while they are on their way. */
  machineWheels: readonly Wheel[];
  /** They are there, or cannot be had. */
  isMachineRead: boolean;
  shop: ShopAnswer;
  sideUp: 'disc' | 'other';
  /**
   * Appends to the log, all or nothing; true once it counts: confirmed (`says` is spoken then), or
   * kept on this browser and on its way. A `picture` goes before an entry of kind `photo`, which
   * gets its id.
   */
  write(writings: Writing[], says?: string, picture?: Blob): Promise<boolean>;
  /** Names the standing entry of a kind as the one that a new one corrects, where there is one. */
  correcting(kind: EntryKind): { replaces?: string };
  goTo(station: StationId): void;
}

export const JobContext = createContext<JobAtHand | null>(null);

export const useJob = (): JobAtHand => {
  const job = useContext(JobContext);
  if (!job) throw new Error('Station used outside a job');
  return job;
};
