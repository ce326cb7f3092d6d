/**
 * Choosing: whether a tire goes on, which in stock suits best, and every part and tool that goes
 * with it.
 */
export {
  tireFit,
  fitTire,
  prepareFit,
  type FitContext,
  type TireFacts,
  type TireFit,
  type Topic,
} from './tire-fit';
export {
  tireRank,
  rankTires,
  type Candidate,
  type RankedTire,
  type TireRanking,
} from './tire-rank';
export { treadForUse, groundOf } from './tread-use';
export { rimLockPick } from './rim-lock-pick';
export { stripPick } from './strip-pick';
export { valvePick } from './valve-pick';
export { materials, type Materials, type Want } from './materials';
export { tools, type ToolList } from './tools';
