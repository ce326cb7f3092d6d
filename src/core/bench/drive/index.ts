/** Chain and belt: slack, and whether the wheel stands straight. */
export { chainSlack, axleMoveFor, slackAfterMove } from './chain-slack';
export { CHAIN_FIELD, chainDrawing } from './chain-drawing';
export { GAPS_FIELD, wheelAlign, wheelAlignString, type Gaps } from './wheel-align';
export { CHAIN_SIDES, type Alignment, type ChainSide } from './align';
