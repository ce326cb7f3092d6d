/**
 * The day: how long the work that is left will take, and in what order it keeps the most promises.
 */
export { timeLeft, timeLeftOf, type StationLeft, type TimeLeft } from './time-left';
export {
  dayPlan,
  isSmallDay,
  MAX_WHEELS,
  PLAN_MINUTES,
  type DayPlan,
  type DayVisit,
  type DayWheel,
} from './day-plan';
export { BLOCKS, BLOCK_WORDS, PLAN_STEP_MIN, planStartMs, type BlockName } from './plan-problem';
export { blocksLeft } from './blocks-left';
