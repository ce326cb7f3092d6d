/** Balance: the heavy spot from one trial mass, and pieces that make up the counterweight. */
export { balanceTrial, type BalanceTrial } from './balance-trial';
export { balancePlace, type BalancePlacement, type Piece, type WeightStock } from './balance-place';
export { sumVectors, toVector, fromVector, type MassVector } from './mass-vector';
export { believe, withinChance, type Belief, type Prior } from './belief';
export { OBSERVATIONS, type LevelTest, type MachineReading, type Observation, type Settle, type Swing } from './observation';
export { nextStep, type Advice } from './advise-plan';
export { hiddenWheel, standFor, type HiddenWheel } from './simulate';
