import type { DrawnDrive, DrawnWheel } from '../fit/drawing';
import type { StationId } from '../base/stations';
import type { JobState } from './job-state';

/** Stations that see the new tire, if one is chosen. */
const NEW_TIRE: ReadonlySet<StationId> = new Set([
  'tire-on',
  'seat',
  'set',
  'balance',
  'wheel-back',
  'hand-over',
]);

/**
 * The wheel of a job as it is drawn at a station: in its old tire until Tire on, in the chosen one
 * from there on.
 */
export const drawnWheelAt = (
  { wheel, chosen }: Pick<JobState, 'wheel' | 'chosen'>,
  station: StationId,
): DrawnWheel | null =>
  wheel && chosen && NEW_TIRE.has(station)
    ? { ...wheel, tireMarking: chosen.marking, tireTread: chosen.tread, tube: chosen.tube }
    : wheel;

/** The drive of a job's machine as its rear wheel is drawn with it; undefined for other wheels. */
export const drawnDriveOf = ({
  wheel,
  machine,
}: Pick<JobState, 'wheel' | 'machine'>): DrawnDrive | undefined =>
  wheel && machine && !wheel.position.includes('front') ? machine : undefined;
