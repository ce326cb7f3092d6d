/** Balance: the heavy spot from one trial mass, and pieces that make up the counterweight. */
export { balanceTrial, type BalanceTrial } from './balance-trial';
export { balancePlace, type BalancePlacement, type Piece, type WeightStock } from './balance-place';
export { sumVectors, toVector, fromVector, type MassVector } from './mass-vector';
