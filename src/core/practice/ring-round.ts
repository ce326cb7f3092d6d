import { BOLTS } from '../bench/ring/bolts';
import { RING_BOLTS, type HiddenRing } from './hidden-ring';

/** One thing done at a ring. Bolts are counted from 1, the first at the valve, clockwise. */
export type RingAct =
  | { do: 'bundle' | 'gap' | 'half a turn each' | 'torque' | 'call it off' }
  | { do: 'feel'; bolt: number }
  | { do: 'turn'; bolt: number; quarters: number };

/** The reading; null for what is not read. */
export type RingSeen = { mm: number } | null;

/** The ring as it stands: its gap at a place is mean + c · cos + s · sin. */
export interface RingState {
  meanMm: number;
  cosMm: number;
  sinMm: number;
  bundles: number;
  gaps: number;
  /** Bolts were turned at all. */
  isTurned: boolean;
  end: 'torqued' | 'called off' | null;
}

const PITCH_MM = BOLTS[RING_BOLTS.size].pitchMm;
/** A feeler is read to this. */
const FEELER_MM = 0.05;

export const boltDeg = (bolt: number): number => ((bolt - 1) * 360) / RING_BOLTS.count;

export const startedRing = ({ meanMm, tiltMm, tiltDeg }: HiddenRing): RingState => ({
  meanMm,
  cosMm: tiltMm * Math.cos((tiltDeg * Math.PI) / 180),
  sinMm: tiltMm * Math.sin((tiltDeg * Math.PI) / 180),
  bundles: 0,
  gaps: 0,
  isTurned: false,
  end: null,
});

/** The gap under the ring at a bolt. */
export const gapAt = ({ meanMm, cosMm, sinMm }: RingState, bolt: number): number => {
  const rad = (boltDeg(bolt) * Math.PI) / 180;
  return Math.max(0, meanMm + cosMm * Math.cos(rad) + sinMm * Math.sin(rad));
};

/**
 * A stiff flat ring that one bolt pulls down: it comes down by its share all round, and tips toward
 * that bolt. Each bolt by the same turn brings it down by just that. Source: least squares of a
 * plane over bolts that are evenly spaced.
 */
const pulled = (state: RingState, bolt: number, turns: number): RingState => {
  const rad = (boltDeg(bolt) * Math.PI) / 180;
  const share = (turns * PITCH_MM) / RING_BOLTS.count;
  const [cosMm, sinMm] = [
    state.cosMm - 2 * share * Math.cos(rad),
    state.sinMm - 2 * share * Math.sin(rad),
  ];
  // Where it touches it goes no further.
  return {
    ...state,
    cosMm,
    sinMm,
    meanMm: Math.max(Math.hypot(cosMm, sinMm), state.meanMm - share),
    isTurned: true,
  };
};

/** The ring after an act, and what was read. */
export const ringAct = (
  hidden: HiddenRing,
  state: RingState,
  act: RingAct,
): { state: RingState; seen: RingSeen } => {
  if (state.end) return { state, seen: null };
  switch (act.do) {
    case 'bundle':
      return {
        state: { ...state, bundles: state.bundles + 1 },
        seen: { mm: hidden.bundleMm[state.bundles % hidden.bundleMm.length]! },
      };
    case 'gap':
      return {
        state: { ...state, gaps: state.gaps + 1 },
        seen: { mm: hidden.gapMm[state.gaps % hidden.gapMm.length]! },
      };
    case 'feel':
      return { state, seen: { mm: Math.round(gapAt(state, act.bolt) / FEELER_MM) * FEELER_MM } };
    case 'turn':
      return { state: pulled(state, act.bolt, act.quarters / 4), seen: null };
    case 'half a turn each': {
      const all = Array.from({ length: RING_BOLTS.count }, (_, i) => i + 1);
      return { state: all.reduce((now, bolt) => pulled(now, bolt, 0.5), state), seen: null };
    }
    case 'torque':
      return { state: { ...state, end: 'torqued' }, seen: null };
    case 'call it off':
      return { state: { ...state, end: 'called off' }, seen: null };
  }
};

/** A round played through. */
export const playRing = (
  hidden: HiddenRing,
  acts: readonly RingAct[],
): { state: RingState; seen: RingSeen[] } => {
  let state = startedRing(hidden);
  const seen = acts.map((act) => {
    const found = ringAct(hidden, state, act);
    state = found.state;
    return found.seen;
  });
  return { state, seen };
};
