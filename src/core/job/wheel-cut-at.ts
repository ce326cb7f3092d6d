import { sectionOf, type BeadPlaces, type Section, type WheelCut } from '../fit/drawing';
import { tryReadTire } from '../fit/tires';
import { drawnWheelAt } from './drawn-wheel';
import { fillMmOf, hasStrip } from './bites-of';
import type { JobState } from './job-state';
import type { Step } from './procedure';

/** What a step does to the beads; the tube is in from it on, or out. */
interface Move {
  /** While it is the step at hand, and once it is done. */
  during: Phase;
  after: Phase;
}
type Phase = 'seated' | 'loose' | 'upper going' | 'upper out' | 'lower going' | 'off';

const MOVES: Record<string, Move> = {
  'toff-break': { during: 'loose', after: 'loose' },
  'toff-first': { during: 'upper going', after: 'upper out' },
  'toff-second': { during: 'lower going', after: 'off' },
  'on-first': { during: 'lower going', after: 'upper out' },
  'on-start': { during: 'upper going', after: 'upper going' },
  'on-half': { during: 'upper going', after: 'upper going' },
  'on-last': { during: 'upper going', after: 'loose' },
};

/** Each phase in words, for those who do not see the picture. */
const SAYS: Record<Phase, string> = {
  seated: 'Both beads are on their seats.',
  loose: 'Both beads are off their seats, down in the well.',
  'upper going': 'The upper bead goes over the flange; the far side is down in the well.',
  'upper out': 'The upper bead is outside the flange, the lower one inside.',
  'lower going': 'The lower bead goes over the flange; the far side is down in the well.',
  off: 'The rim is bare.',
};

/** Steps that put the tube in or take it out, and whether it is in while they are at hand. */
const TUBE: Record<string, boolean> = {
  'toff-tube': false,
  'toff-tube-late': false,
  'on-tube-inside': true,
  'on-tube': true,
};

/** The last of the steps up to the one at hand that a table knows. */
const lastOf = <T>(
  table: Record<string, T>,
  steps: readonly Step[],
  index: number,
): { found: T; isNow: boolean } | null => {
  for (let i = Math.min(index, steps.length - 1); i >= 0; i -= 1) {
    const found = table[steps[i]!.id];
    if (found !== undefined) return { found, isNow: i === index };
  }
  return null;
};

/** What is seen on the left and on the right. */
const WORDS = ['at the bite', 'far side'] as const;

const OUT = { overShare: 1 };

const bothSides = (beads: BeadPlaces): WheelCut => ({ near: beads, far: beads });

/** The beads in a phase; one that goes over is `overShare` of its way. */
const cutOf = (phase: Phase, overShare: number): WheelCut => {
  const going = { overShare };
  switch (phase) {
    case 'off':
      return { ...bothSides({ lower: OUT, upper: OUT }), isBare: true };
    case 'seated':
      return bothSides({ lower: 'seat', upper: 'seat' });
    case 'loose':
      return bothSides({ lower: 'well', upper: 'well' });
    case 'upper out':
      return bothSides({ lower: 'well', upper: OUT });
    case 'upper going':
      return { near: { lower: 'well', upper: going }, far: { lower: 'well', upper: 'well' } };
    case 'lower going':
      return { near: { lower: going, upper: OUT }, far: { lower: 'well', upper: OUT } };
  }
};

/** The cut of a wheel at a step, and what is in it. */
export interface CutAtStep {
  section: Section;
  fillMm: number;
  /** Whether a bead goes over at this step. */
  isMoving: boolean;
  text: string;
  cut(overShare: number): WheelCut;
}

/**
 * The wheel of a job cut through at a step of Inspect, Tire off or Tire on: where each bead is.
 * Null at other stations, for a rim that comes apart, and for a tire whose size no one knows.
 */
export const wheelCutAt = (
  state: JobState,
  steps: readonly Step[],
  index: number,
): CutAtStep | null => {
  const station = steps[0]?.station;
  const { wheel } = state;
  if (!wheel || wheel.build === 'split' || wheel.build === 'beadlock') return null;
  if (station !== 'tire-off' && station !== 'inspect' && station !== 'tire-on') return null;
  const drawn = drawnWheelAt(state, station) ?? wheel;
  const size = tryReadTire(drawn.tireMarking ?? '');
  if (!size) return null;
  const isOn = station === 'tire-on';
  const tubeAtStart = station === 'tire-off' && wheel.tube;
  const hasTube = lastOf(TUBE, steps, index)?.found ?? tubeAtStart;
  const move = station === 'inspect' ? null : lastOf(MOVES, steps, index);
  const phase = move
    ? move.found[move.isNow ? 'during' : 'after']
    : station === 'tire-off'
      ? 'seated'
      : 'off';
  const isMoving = phase === 'upper going' || phase === 'lower going';
  const { shows } = steps[index] ?? {};
  const hasLever = shows === 'levers-off' || shows === 'levers-on';
  return {
    section: sectionOf(size, drawn, { hasTube, hasStrip: hasStrip(wheel) }),
    fillMm: hasTube ? fillMmOf(state, isOn ? 'on' : 'off') : 0,
    isMoving,
    text: SAYS[phase],
    cut: (overShare) => ({
      ...cutOf(phase, overShare),
      hasLever,
      ...(isMoving && { words: WORDS }),
    }),
  };
};
