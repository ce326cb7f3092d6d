import {
  breakAndLubricate,
  emptyTire,
  hoseKpa,
  hoseStep,
  type BeadSide,
  type HoseAir,
  type HoseTire,
} from '../bench/devices';
import { BY_LUBRICATION, type HiddenAir } from './hidden-air';

/**
 * One thing done at the hose: air up to a pressure, all of it out, lubricated again, or called off.
 */
export type AirAct =
  { do: 'air'; toKpa: number } | { do: 'all out' } | { do: 'lubricate' } | { do: 'call it off' };

/** The result. */
export interface AirSeen {
  kpa: number;
  popped: BeadSide[];
  /** It cannot be done just now, and why. */
  refused: string | null;
}

/** The tire as it stands. */
export interface AirState {
  air: HoseAir;
  lubrications: number;
  /** Times that air went in from nothing. */
  tries: number;
  highestKpa: number;
  isOff: boolean;
}

const STEP_S = 0.02;
/** No one holds a hose longer. */
const LONGEST_S = 120;
/** Above this there is air in it. */
const AIR_KPA = 2;

const tireOf = ({ tire }: HiddenAir, { lubrications }: AirState): HoseTire => ({
  ...tire,
  dryTimes: BY_LUBRICATION[Math.min(lubrications, BY_LUBRICATION.length - 1)]!,
});

export const unfilled = (hidden: HiddenAir): AirState => ({
  air: emptyTire(hidden.tire, false),
  lubrications: 0,
  tries: 0,
  highestKpa: 0,
  isOff: false,
});

export const isSeated = ({ air }: AirState): boolean => air.seated.disc && air.seated.other;

const refuse = (
  hidden: HiddenAir,
  state: AirState,
  refused: string,
): { state: AirState; seen: AirSeen } => ({
  state,
  seen: { kpa: hoseKpa(hidden.tire, state.air), popped: [], refused },
});

/** The tire after an act, and what the gauge and the ear told. */
export const airAct = (
  hidden: HiddenAir,
  state: AirState,
  act: AirAct,
): { state: AirState; seen: AirSeen } => {
  const tire = tireOf(hidden, state);
  const kpa = hoseKpa(tire, state.air);
  if (state.isOff || isSeated(state)) return refuse(hidden, state, 'This round is over.');
  switch (act.do) {
    case 'call it off':
      return { state: { ...state, isOff: true }, seen: { kpa, popped: [], refused: null } };
    case 'all out': {
      // Seated beads stay where they are until they are broken loose.
      const empty = emptyTire(tire, false);
      return {
        state: { ...state, air: { ...empty, seated: state.air.seated } },
        seen: { kpa: 0, popped: [], refused: null },
      };
    }
    case 'lubricate':
      return kpa > AIR_KPA
        ? refuse(hidden, state, 'There is air in it. Let all of it out first.')
        : {
            state: {
              ...state,
              air: { ...breakAndLubricate(state.air), lubricated: false },
              lubrications: state.lubrications + 1,
            },
            seen: { kpa, popped: [], refused: null },
          };
    case 'air': {
      if (act.toKpa <= kpa) return refuse(hidden, state, 'It already has that much air.');
      let air = state.air;
      const popped: BeadSide[] = [];
      for (
        let s = 0;
        s < LONGEST_S && hoseKpa(tire, air) < act.toKpa && popped.length < 2;
        s += STEP_S
      ) {
        const next = hoseStep(tire, air, 'in', false, STEP_S);
        air = next.air;
        popped.push(...next.popped);
        if (air.seated.disc && air.seated.other) break;
      }
      const now = hoseKpa(tire, air);
      return {
        state: {
          ...state,
          air,
          tries: state.tries + (kpa <= AIR_KPA ? 1 : 0),
          // The hose is let go at the mark: what it swings over is the stand-in's own step.
          highestKpa: Math.max(state.highestKpa, Math.min(now, act.toKpa)),
        },
        seen: { kpa: Math.min(now, act.toKpa), popped, refused: null },
      };
    }
  }
};

/** A round played through. */
export const playAir = (
  hidden: HiddenAir,
  acts: readonly AirAct[],
): { state: AirState; seen: AirSeen[] } => {
  let state = unfilled(hidden);
  const seen = acts.map((act) => {
    const found = airAct(hidden, state, act);
    state = found.state;
    return found.seen;
  });
  return { state, seen };
};
