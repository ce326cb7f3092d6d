import type { HiddenPair } from './hidden-pair';

/** One thing done with the tires. They are counted from 1. */
export type PairAct =
  | { do: 'air'; tire: number; kpa: number }
  | { do: 'tape'; tire: number }
  | { do: 'pair'; tire: number; with: number }
  | { do: 'no pair' };

/** A tire as it stands. */
interface StandingTire {
  gaugeKpa: number;
  /** The tape's reading at the present pressure; null since the air was changed, or before. */
  tapedMm: number | null;
}

export interface PairState {
  tires: readonly StandingTire[];
  /** Tires that were filled above their limit. */
  over: readonly number[];
  end: { tires: readonly [number, number] } | 'no pair' | null;
}

/** A tape is read to this, mm. */
const TAPE_MM = 1;

export const untaped = ({ tires }: HiddenPair): PairState => ({
  tires: tires.map(({ cameKpa }) => ({ gaugeKpa: cameKpa, tapedMm: null })),
  over: [],
  end: null,
});

/** The tape's reading of a tire at a pressure, mm: it gains with every kPa. */
export const tapeOf = (
  { tires, measureKpa }: HiddenPair,
  tire: number,
  gaugeKpa: number,
): number => {
  const { circumferenceMm, stretchMmPerKpa } = tires[tire - 1]!;
  const mm = circumferenceMm + stretchMmPerKpa * (gaugeKpa - measureKpa);
  return Math.round(mm / TAPE_MM) * TAPE_MM;
};

/**
 * The result of one act. An act that names an unknown tire, or follows the end, changes nothing.
 */
export const pairAct = (hidden: HiddenPair, state: PairState, act: PairAct): PairState => {
  if (state.end !== null) return state;
  if (act.do === 'no pair') return { ...state, end: 'no pair' };
  if (!hidden.tires[act.tire - 1]) return state;
  if (act.do === 'pair') {
    if (!hidden.tires[act.with - 1] || act.with === act.tire) return state;
    return { ...state, end: { tires: [act.tire, act.with] } };
  }
  const now = state.tires[act.tire - 1]!;
  const next: StandingTire =
    act.do === 'air'
      ? { gaugeKpa: act.kpa, tapedMm: null }
      : { ...now, tapedMm: tapeOf(hidden, act.tire, now.gaugeKpa) };
  const isOver = next.gaugeKpa > hidden.tires[act.tire - 1]!.limitKpa + 1e-9;
  return {
    ...state,
    tires: state.tires.with(act.tire - 1, next),
    over: isOver && !state.over.includes(act.tire) ? [...state.over, act.tire] : state.over,
  };
};

export const playPair = (hidden: HiddenPair, acts: readonly PairAct[]): PairState =>
  acts.reduce((state, act) => pairAct(hidden, state, act), untaped(hidden));
