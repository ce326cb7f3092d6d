import type { DeviceKind, DeviceLine } from './line';

/** What is known of an instrument. `calibratedOn` YYYY-MM-DD, null where nobody has said. */
export interface Device {
  name: string;
  kind: DeviceKind;
  simulated: boolean;
  calibratedOn: string | null;
}

/** An instrument as it stands: live, silent for too long, or talking nonsense. */
export interface DeviceNow extends Device {
  state: 'live' | 'silent' | 'nonsense';
  last: DeviceLine | null;
  /** Why the last line was not taken. */
  problem: string | null;
}
