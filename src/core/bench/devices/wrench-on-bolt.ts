/** A bolt under a click wrench that is pulled by hand. Newton metres and seconds. */
interface PulledWrench {
  /** The wrench's setting. */
  setNm: number;
  /** Its scale: below it, it does not click. */
  minNm: number;
  maxNm: number;
}

export interface Pull {
  torqueNm: number;
  /** It has clicked in this pull. */
  clicked: boolean;
  /** Seconds since the click, while the hand still pulls. */
  sinceS: number;
}

export const AT_REST: Pull = { torqueNm: 0, clicked: false, sinceS: 0 };

/**
 * The speed of a hand's pull, how long it goes on after the click, and how fast it lets go. Basis:
 * memory.
 */
const PULL_NM_PER_S = 45;
const REACTION_S = 0.12;
const LET_GO_NM_PER_S = 300;

/**
 * The next moment of a pull: up to the click, a little past it before the hand stops, and back.
 * Says whether it clicked now.
 */
export const pullOn = (
  { setNm, minNm, maxNm }: PulledWrench,
  pull: Pull,
  pulling: boolean,
  seconds: number,
): { pull: Pull; click: boolean } => {
  const less = Math.max(0, pull.torqueNm - LET_GO_NM_PER_S * seconds);
  // A hand that has let go begins again, however soon it pulls again.
  if (!pulling) return { pull: { ...AT_REST, torqueNm: less }, click: false };
  if (pull.clicked && pull.sinceS >= REACTION_S)
    return { pull: { ...pull, torqueNm: less }, click: false };
  const torqueNm = Math.min(maxNm * 1.2, pull.torqueNm + PULL_NM_PER_S * seconds);
  const click = !pull.clicked && setNm >= minNm && setNm <= maxNm && torqueNm >= setNm;
  return {
    pull: {
      torqueNm,
      clicked: pull.clicked || click,
      sinceS: pull.clicked ? pull.sinceS + seconds : 0,
    },
    click,
  };
};
