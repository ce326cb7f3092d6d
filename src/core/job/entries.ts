import type { LevelTest, Piece, Settle } from '../balance';
import type { Spin } from '../brake';
import type { ChainSide, Gaps } from '../drive';
import type { Inspected } from '../inspect';
import type { SensorReading } from '../leave';
import type { Ground, LinePoint, RaisedCeiling, Use } from '../pressure';
import type { School } from '../procedure/schools';
import type { Symptom } from '../procedure/symptoms';
import type { JobLook } from '../recheck';
import {
  BEAD_SIDES,
  type BeadMeasured,
  type BeadSide,
  type GapReading,
  type GapTime,
  type TapeReading,
} from '../ring';
import type { RuleValues } from '../rules';
import type { Tread } from '../shop';
import type { StationId } from '../stations';
import type { Arrows, ClearancePlace } from '../tires';
import type { Lubricant } from '../torque';
import type { FirstTo, RungSpoke, RunoutReading, Turned } from '../truing';
import type { Machine, Wheel } from '../wheels';

/** Rings of a clamped wheel, and the halves of a split rim. */
export const RING_NAMES = [...BEAD_SIDES, 'rim'] as const;
export type RingName = (typeof RING_NAMES)[number];

/** What each kind of entry holds. SI inside, angles from the valve as seen from the disc side. */
export interface EntryData {
  opened: { machine: Machine; wheel: Wheel; rider: string };
  rules: { values: RuleValues };
  /** `treadBy` is the instrument that measured the tread. */
  'came-off': {
    marking: string;
    dateCode: string | null;
    treadMm: number | null;
    use: Use;
    treadBy?: string | null;
  };
  clearance: { place: ClearancePlace; mm: number; load: string };
  chosen: {
    marking: string;
    dateCode: string | null;
    tireId: string | null;
    tube: boolean;
    tubeId: string | null;
    tubeLabel: string | null;
    lightMark: boolean;
    seatLimitKpa: number | null;
    tread: Tread;
    arrows: Arrows;
    takeOff: boolean;
    treadMm: number | null;
    /** The shopping list as it was decided. */
    parts: { what: string; count: number; stockId: string | null }[];
    /** The old tube goes round the new one as a sleeve. */
    doubled: boolean;
  };
  /** Another school than the shop's, for this job. */
  school: { school: School; value: string };
  load: { riderKg: number; passengerKg: number; luggageKg: number };
  /** `of`: the same step of the machine, ticked at another wheel of the visit; only the server writes it. */
  step: { stepId: string; of?: string };
  /** Several steps of a station, done as shown; `of` as for one. */
  steps: { stepIds: string[]; of?: string };
  /** What was found on a part; an empty list says that it was looked at. */
  findings: { part: Inspected; found: string[] };
  /** A photograph that the shop keeps, of a part or of anything at the station. */
  photo: { photoId: string; part: Inspected | null; says: string };
  /** What would not go, and what cured it; null where nothing did. */
  trouble: { symptom: Symptom; curedBy: string | null };
  /** The bare rim: over the flange, in the well, and from the well to the far flange along the axle. */
  'rim-shape': { flangeMm: number; wellMm: number; wellToFlangeMm: number };
  runout: { readings: RunoutReading[]; device?: string | null };
  /** Spokes that were rung, counted from the valve, clockwise from the disc side. */
  'spoke-ring': { spokes: RungSpoke[] };
  'nipples-turned': { turned: Turned[]; firstTo: FirstTo };
  /** Thickness of a bead bundle and gap of its seated ring, at several places. */
  'bead-measured': BeadMeasured & { device?: string | null };
  /** Feeler readings round a ring. */
  'ring-gap': { ring: BeadSide; when: GapTime; readings: GapReading[] };
  /** Bolts of a ring or of a split rim, and their torque by the maker: the wheel keeps them. */
  'ring-set': { bolts: number; torqueNm: number | null };
  /** A bolt brought to its torque. `rim` for the bolts of a split rim; `device` is the wrench that clicked. */
  'ring-bolt': {
    ring: RingName;
    pass: 1 | 2;
    bolt: number;
    torqueNm: number | null;
    device?: string | null;
  };
  /** What was noted before a bolt of a clamped wheel is touched; `gaugeKpa` null where it was not read. */
  'air-out': { silent: boolean; gaugeKpa: number | null; coreOut: boolean; device?: string | null };
  /** A tape round the middle of the tread. */
  taped: TapeReading & { device?: string | null };
  note: { text: string };
  /** `device` is the instrument that made a reading; null where it was typed. */
  'seat-reading': { gaugeKpa: number; device?: string | null };
  /** A bead that let go, heard at a pressure. */
  pop: { gaugeKpa: number; device?: string | null };
  'molded-line': LinePoint;
  /** The other school's ceiling, for this job. */
  'seat-ceiling': RaisedCeiling;
  seated: { side: 'disc' | 'other'; seated: boolean };
  /** A try that ended with all air out and the beads broken again. */
  'seat-again': { why: string };
  ground: { ground: Ground };
  /** `gaugeKpa` is what the gauge showed, `rideKpa` what is in the tire out there. */
  'pressure-set': {
    gaugeKpa: number;
    shopC: number;
    rideC: number;
    rideKpa: number;
    shopM?: number;
    rideM?: number;
    /** The gauge, by the name of its record or of the instrument that spoke. */
    gauge?: string | null;
    thermometer?: string | null;
    second?: { gauge: string; gaugeKpa: number } | null;
  };
  /** What last time's weights say of the heavy spot, used as a hint. */
  'balance-hint': { massG: number; deg: number; jobId: string; onDate: string };
  /**
   * `from` is the side it was let go from, as seen from the disc side; left out by an earlier program. `turned`: the
   * wheel was turned around on the stand.
   */
  rest: { restDeg: number; from?: Settle['from']; device?: string | null; turned?: boolean };
  /** Weights taped on to learn from, all others off. */
  trial: { pieces: Piece[] };
  /** The weights that stay on, all others off; `residualG` as worked out then, null where nothing had been seen. */
  weights: { pieces: Piece[]; residualG: number | null };
  /** `at` is the side it was held on, as seen from the disc side; left out by an earlier program. */
  'level-test': { deg: number; moved: LevelTest['moved']; at?: LevelTest['at'] };
  swing: { periodS: number };
  'machine-reading': { massG: number; deg: number; stepG: number; stepDeg: number };
  /** The end of a balancing: what was believed then, and how probable it is that the shop's limit is met. */
  balanced: {
    heavyMassG: number;
    heavyDeg: number;
    leftG: number;
    leftDeg: number;
    bandG: number;
    chance: number;
  };
  /** All that was seen before is void: the tire was turned on the rim, or another wheel was meant. */
  'balance-again': { why: string };
  /** Written by an earlier program only: a trial with its rest, and checks of the weights at 3 and 9 o'clock. */
  'trial-rest': { trialMassG: number; trialDeg: number; restDeg: number };
  'level-check': { clock: 3 | 9; moved: LevelTest['moved'] };
  /** `pass` 2 is the second round; `thread` what is on it, where its value is for dry ones. */
  torqued: {
    fastener: string;
    how: 'torqued' | 'snug' | 'guess';
    torqueNm: number | null;
    wrench: string | null;
    device?: string | null;
    pass?: 1 | 2;
    thread?: Lubricant | null;
    /** An extension head in line with the handle. */
    extensionMm?: number | null;
  };
  /** Play of chain or belt in the middle of its lower run, at several places of it; `pitchMm` null where not known. */
  slack: {
    when: 'before' | 'after';
    placesMm: number[];
    wantMinMm: number;
    wantMaxMm: number;
    runMm: number;
    pitchMm: number | null;
  };
  /** The marks of both adjusters, larger further back. */
  marks: { leftMm: number; rightMm: number; spanMm: number; chainSide: ChainSide };
  /** Gaps that a string along the rear tire leaves at the front tire. */
  string: { gapsMm: Gaps; wheelbaseMm: number; spanMm: number; chainSide: ChainSide };
  /** The brake, pumped, and the wheel, spun with it let go; the pulls at the tread where they were measured. */
  brake: {
    firm: boolean;
    spin: Spin;
    pullN?: number | null;
    freePullN?: number | null;
    radiusMm?: number | null;
  };
  'sensor-gap': { readings: SensorReading[]; wantMinMm: number | null; wantMaxMm: number | null };
  'disc-runout': { readings: RunoutReading[]; limitMm: number | null; device?: string | null };
  /**
   * Ridden, or refused by somebody. `of`: the same ride, written at another wheel of the visit; only the server writes
   * it.
   */
  'test-ride': {
    how: 'ridden' | 'not good' | 'refused';
    by: string;
    shakesAtKmh: number | null;
    found: string;
    of?: string;
  };
  /** What was advised, and the rider did not want; `by` who said so. */
  declined: { what: string; by: string };
  /** Taught the new wheel, as the machine's record asks. */
  taught: { done: boolean; found: string; of?: string };
  /** What the machine's odometer says; `of` as for the ride. */
  odometer: { km: number; of?: string };
  /** `look` says which readings close it; entries of an earlier program do not say. */
  recheck: { what: string; onDate: string; look?: JobLook };
  /** Looked at again: what was asked for, whether it was as it should be, and what was read. */
  'looked-again': {
    what: string;
    good: boolean;
    found: string;
    gaugeKpa: number | null;
    tempC: number | null;
    device?: string | null;
  };
  /** `despite` where a safety point is not proved: who hands it over all the same, and why. */
  'handed-over': {
    to: string;
    despite?: { by: string; why: string } | null;
    oldTire?: OldTire | null;
  };
  undo: { entryId: string };
}
export type EntryKind = keyof EntryData;

/** Where the tire that came off went. */
export const OLD_TIRES = ['recycled', 'kept', 'given back'] as const;
export type OldTire = (typeof OLD_TIRES)[number];

/** What a client asks to append. `replaces` names the entry that a correction stands in for. */
export interface EntryBody<K extends EntryKind = EntryKind> {
  id: string;
  who: string;
  station: StationId;
  kind: K;
  data: EntryData[K];
  replaces?: string;
}

/**
 * An entry as it stands in the log; `seq` counts from 1 without gaps, `at` is when it was written at the bench, ISO 8601.
 * `arrivedAt` is when the log got it, where it had to wait on the way.
 */
export type Entry = {
  [K in EntryKind]: EntryBody<K> & { seq: number; at: string; arrivedAt?: string };
}[EntryKind];
