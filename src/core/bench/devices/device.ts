import type { DeviceKind, DeviceLine } from './line';

/** An instrument as the shop knows it. `calibratedOn` YYYY-MM-DD, null if not recorded. */
interface Device {
  name: string;
  kind: DeviceKind;
  simulated: boolean;
  calibratedOn: string | null;
}

export type DeviceState = 'live' | 'silent' | 'frozen' | 'nonsense';

/**
 * An instrument as it stands: live, silent for too long, saying the same line again and again, or
 * talking nonsense.
 */
export interface DeviceNow extends Device {
  state: DeviceState;
  last: DeviceLine | null;
  /** Milliseconds since the last good line; null before the first. */
  ageMs: number | null;
  /** Why the last line was not taken. */
  problem: string | null;
  /** The simulated fault of a stand-in; null while it works, and for real instruments. */
  fails: Failure | null;
}

/** Ways in which an instrument goes wrong on the bench. */
export const FAILURES = ['drop out', 'drift', 'noise', 'freeze', 'nonsense'] as const;
export type Failure = (typeof FAILURES)[number];
