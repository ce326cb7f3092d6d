/**
 * Balance: what is believed of a heavy spot and what to do next, pieces proved best, and what a
 * mass left over does.
 */
export { balanceAdvise, type AdviseInput, type BalanceAdvice } from './balance-advise';
export { doubtOf, type Doubt } from './doubt';
export { balanceEstimate, type BalanceEstimate } from './balance-estimate';
export { chanceText } from './chance-text';
export { balanceIndex } from './balance-index';
export { balanceParts } from './balance-parts';
export { standBand, type StandBand } from './stand-band';
export { residualUnbalance } from './residual-unbalance';
export { searchPlaces } from './place-search';
export type { PlaceProblem } from './place-layout';
export { balanceTrial } from './balance-trial';
export {
  balancePlace,
  PIECE_SIDES,
  SIDES,
  type BalancePlacement,
  type Piece,
  type Sides,
  type WeightStock,
} from './balance-place';
export { sumVectors, toVector, fromVector, type MassVector } from './mass-vector';
export { believe, withinChance, type Belief, type Known, type Prior } from './belief';
export { isInside, regionOf } from './region';
export { regionShare } from './region-share';
export {
  OBSERVATIONS,
  WEIGHTS_ON,
  type LevelTest,
  type Observation,
  type Settle,
} from './observation';
export { levelHour, MIN_TESTS } from './level-check';
export type { Advice } from './advice';
export { nextStep } from './next-step';
export { middleSpread, type Learns } from './played-wheels';
