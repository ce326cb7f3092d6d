import type { StationId } from '../stations';
import type { Symptom } from './symptoms';

/** What can be measured or looked at for a step, beside ticking it. */
export type Reading =
  | 'findings'
  | 'photo'
  | 'runout'
  | 'spokes'
  | 'bead-path'
  | 'crush'
  | 'ring-gap'
  | 'air-out'
  | 'rollout'
  | 'chain'
  | 'sensor'
  | 'brake';

/** A place on the wheel, or an arc from one to another, clockwise from the valve, seen from the disc side. */
export interface Place {
  what: string;
  deg: number;
  toDeg?: number;
}

/** One thing to do, in the order of the work. */
export interface Step {
  id: string;
  station: StationId;
  /** What to do, short and spoken. */
  say: string;
  why: string;
  /** What must be so before going on. */
  confirm: string | null;
  caution: string | null;
  /** What its caution guards: whoever works or rides, or only a part; null without a caution. */
  guards: 'person' | 'part' | null;
  /** Which side of the wheel is up; null where it does not matter. */
  sideUp: 'disc' | 'other' | null;
  places: Place[];
  parts: string[];
  tools: string[];
  reads: Reading | null;
  /** What has to be written down before it may be ticked. */
  wants: 'air-out' | null;
  /** What may go wrong here, the usual first. */
  troubles: Symptom[];
  /** What the dial draws for this step, beside valve and locks. */
  shows: 'levers-off' | 'levers-on' | 'push-down' | 'light-mark' | 'arrow' | 'ring' | null;
}
