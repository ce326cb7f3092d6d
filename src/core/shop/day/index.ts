/**
 * The day: how long the work that is left will take, and in what order it keeps the most promises.
 *
 * A plan is a shop schedule: each wheel is a chain of up to three blocks, each with a person, a
 * bench and the one stand. Its cost is lexicographic: promises broken, minutes late, and the sum of
 * the wheels' ends. `plan-search` finds a plan and what no plan beats, in this order:
 *
 * 1. `plan-grid` divides all times by their greatest common divisor: fewer states, the same plans.
 * 2. `plan-layers` is dynamic programming over states (`plan-state`, stored flat by `state-rows`):
 *    one block more at each depth. `plan-front` keeps the Pareto front of the states with the same
 *    blocks placed. A narrow beam of it gives a first plan; a small day ends here, proved.
 * 3. `plan-improve` is a local search over the order of turns (`turn-plan`).
 * 4. `plan-proof` proves or improves it: first the fewest promises broken, then the least lateness,
 *    then the soonest ends. `plan-within` looks for a plan within given ends; iterative deepening
 *    (Korf 1985) raises the sum of ends minute by minute.
 * 5. The bounds that cut the search: relaxations to one scarce thing (`plan-bound`, with
 *    `machine-bound` for the stand or the only bench), each wheel's deadlines (`plan-deadlines`), and a Lagrangian bound that pays for
 *    hands, bench and stand by the minute (`plan-prices`: subgradient steps in `price-bids`, each
 *    wheel's cheapest schedule in `wheel-costs`, starts closed by their reduced cost).
 *    `layer-thinning` computes that bound again at sample states of a layer.
 *
 * `tests/plan-days.ts` holds a whole-number program of the same day for HiGHS, which the tests
 * compare with. The program does not use it at run time: docs/scale.md has the figures.
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
