/**
 * Practice: hidden wheels to lever, true and balance by hand, beside what the advice would have
 * done.
 */
export { advisedActs, type Act } from './advised-acts';
export {
  airAct,
  isSeated,
  playAir,
  unfilled,
  type AirAct,
  type AirSeen,
  type AirState,
} from './air-round';
export {
  BALANCE_LEVELS,
  FRICTIONS,
  SHELVES,
  standAndShelf,
  type BalanceLevel,
  type Shelf,
} from './balance-levels';
export { AIR_LEVELS, hiddenAir, type AirLevel, type HiddenAir } from './hidden-air';
export {
  hiddenBead,
  MIN_BITE_MM,
  LEVER_LEVELS,
  type HiddenBead,
  type LeverLevel,
} from './hidden-bead';
export { hiddenLeak, LEAK_LEVELS, type HiddenLeak, type LeakLevel } from './hidden-leak';
export { hiddenPair, PAIR_LEVELS, type HiddenPair, type PairLevel } from './hidden-pair';
export {
  hiddenRing,
  RING_BOLTS,
  RING_LEVELS,
  type HiddenRing,
  type RingLevel,
} from './hidden-ring';
export {
  hiddenSidewall,
  SIDEWALL_LEVELS,
  type HiddenSidewall,
  type SidewallLevel,
} from './hidden-sidewall';
export { hiddenSpokes, SPOKE_LEVELS, type HiddenSpokes, type SpokeLevel } from './hidden-spokes';
export { hiddenStand, standWheel, type HiddenStand } from './hidden-stand';
export { PRACTICE, PRACTICE_KINDS, type PracticeKind } from './kinds';
export {
  learnerOf,
  nextOf,
  shownPractice,
  standingOf,
  type NextRound,
  type PracticeScore,
  type PracticeTried,
  type ShownPractice,
} from './learner';
export {
  leverAct,
  middleDeg,
  untouched,
  type BeadState,
  type LeverAct,
  type LeverSeen,
} from './lever-round';
export { pairAct, playPair, tapeOf, untaped, type PairAct, type PairState } from './pair-round';
export { MAX_ACTS, MAX_SEED, type Played } from './played';
export { advisedAir, practiceAir } from './practice-air';
export { advisedPair, practicePair } from './practice-pair';
export { advisedRing, practiceRing } from './practice-ring';
export {
  hiddenHeavy,
  practiceBalance,
  PRACTICE_PLACES,
  PRACTICE_WHEEL,
  type BalancePlayed,
} from './practice-balance';
export { advisedLeak, leakReadings, practiceLeak, type LeakAct } from './practice-leak';
export { advisedLevers, playLevers, practiceLevers } from './practice-levers';
export {
  boltDeg,
  gapAt,
  playRing,
  ringAct,
  startedRing,
  type RingAct,
  type RingSeen,
  type RingState,
} from './ring-round';
export {
  isAnswered,
  judgeAnswer,
  practiceSidewall,
  TOPICS,
  TOPIC_WORDS,
  type SidewallAct,
} from './practice-sidewall';
export { advisedTruing, outOf, practiceTrue } from './practice-true';
