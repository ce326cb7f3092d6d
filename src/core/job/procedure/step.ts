import type { StationId } from '../../base/stations';
import type { Symptom } from './symptoms';

/**
 * The readings and looks of a step, beside ticking it, and whether they are asked for: a bead's
 * path is worked out from what is known, and a picture is for later; neither has to be answered.
 */
export const READINGS = {
  findings: { isAsked: true },
  photo: { isAsked: false },
  runout: { isAsked: true },
  spokes: { isAsked: true },
  'bead-path': { isAsked: false },
  crush: { isAsked: true },
  'ring-gap': { isAsked: true },
  'air-out': { isAsked: true },
  rollout: { isAsked: true },
  chain: { isAsked: true },
  sensor: { isAsked: true },
  brake: { isAsked: true },
} as const;
export type Reading = keyof typeof READINGS;

/**
 * A place on the wheel, or an arc from one to another, clockwise from the valve, seen from the disc
 * side.
 */
export interface Place {
  what: string;
  deg: number;
  toDeg?: number;
}

/** One thing to do, in the order of the work. */
export interface Step {
  id: string;
  station: StationId;
  /** The instruction, short and spoken. */
  say: string;
  why: string;
  /** The condition to check before going on. */
  confirm: string | null;
  caution: string | null;
  /** The object of its caution: the person at work or riding, or only a part; null without one. */
  guards: 'person' | 'part' | null;
  /** The side of the wheel that is up; null if it does not matter. */
  sideUp: 'disc' | 'other' | null;
  places: Place[];
  parts: string[];
  tools: string[];
  reads: Reading | null;
  /** The entry to make before it may be ticked. */
  wants: 'air-out' | null;
  /** The troubles that may come up here, the usual first. */
  troubles: Symptom[];
  /** The marks that the dial draws for this step, beside valve and locks. */
  shows: 'levers-off' | 'levers-on' | 'push-down' | 'light-mark' | 'arrow' | 'ring' | null;
}
