/** Choosing: whether a tire goes on, which in stock suits best, and every part and tool that goes with it. */
export {
  tireFit,
  fitTire,
  prepareFit,
  type FitContext,
  type FitReason,
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
export { rimLockPick, type RimLockPick } from './rim-lock-pick';
export { stripPick, type StripPick } from './strip-pick';
export { valvePick, type ValvePick } from './valve-pick';
export { materials, type MaterialLine, type Materials, type Want } from './materials';
export { tools, type Tool, type ToolList } from './tools';
