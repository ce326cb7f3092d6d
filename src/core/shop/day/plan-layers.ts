import { layerThinning } from './layer-thinning';
import { canStand } from './plan-deadlines';
import { planFront } from './plan-front';
import { compareCosts, type PlanProblem } from './plan-problem';
import { emptyState, placedNext, placeInto, type PlanState } from './plan-state';
import { stateRows, stepRows, type Step, type StepRows } from './state-rows';

interface LayersOptions<Bound> {
  /**
   * The least that plans from a state cost; null where none of them is wanted. The state is written
   * over afterwards.
   */
  boundOf(state: PlanState): Bound | null;
  compare(a: Bound, b: Bound): number;
  /** So many states stay at each depth, and so many are looked at. */
  width: number;
  budget: number;
  /**
   * Each plan is come by once only, its blocks in the order of their ends; else by any order, which
   * finds good ones sooner.
   */
  once?: boolean;
  /** Whether plans from a state are wanted, by a bound made for states like the sample. */
  wantedLike?(sample: PlanState): (state: PlanState) => boolean;
  /** Only whether there is a plan counts, not when its wheels are done. */
  whenever?: boolean;
}

/** To work out a bound for a sample takes as long as so many looks. */
const SAMPLE_LOOKS = 1000;

interface Layers {
  best: PlanState | null;
  /** Nothing was left out but what cannot be better: `best` is the best there is. */
  isWhole: boolean;
  looked: number;
}

/** Whether an equally free person was tried before. */
const isLike = (free: readonly number[], person: number): boolean => {
  for (let p = 0; p < person; p++) if (free[p] === free[person]) return true;
  return false;
};

/** The plan that these steps lead to, the last one at `at`. */
const planOf = (problem: PlanProblem, depths: readonly StepRows[], at: number): PlanState => {
  const steps: Step[] = [];
  for (let depth = depths.length - 1, i = at; depth >= 0; depth--) {
    const step = depths[depth]!.at(i);
    steps.unshift(step);
    i = step.before;
  }
  return steps.reduce(
    (state, { wheel, person }) => placedNext(problem, state, wheel, person)!,
    emptyState(problem),
  );
};

/**
 * Plans block after block: at each depth all states that as many blocks lead to, without those to
 * which another one is nowhere worse. Left-shifted plans, placed in the order in which their blocks
 * end, are all of this form: one that ends before the last one placed was to be placed before it,
 * which changed nothing else; only where benches are few it would have taken another one.
 */
export const planLayers = <Bound>(
  problem: PlanProblem,
  {
    boundOf,
    compare,
    width,
    budget,
    once = false,
    whenever = false,
    wantedLike,
  }: LayersOptions<Bound>,
): Layers => {
  const { wheels, people } = problem;
  const namesCount = wheels.some((w) => w.blocks.some((b) => b.fixed));
  const blocks = wheels.reduce((n, w) => n + w.blocks.length, 0);
  const stands = canStand(problem);
  const [state, next] = [emptyState(problem), emptyState(problem)];
  const thinning = wantedLike && layerThinning(wantedLike, state, next);
  const inOrder = once && state.benches.length === 0;
  const front = planFront(problem, whenever, inOrder);
  let [rows, following] = [stateRows(problem), stateRows(problem)];
  rows.add(state);
  let layer = [0];
  const depths: StepRows[] = [];
  let isWhole = true;
  let looked = 0;
  for (let depth = 0; depth < blocks; depth++) {
    const steps = stepRows();
    // Only where some of them are left out it matters how good they are.
    const bounds: Bound[] = [];
    let count = 0;
    front.clear();
    following.clear();
    for (const before of layer) {
      if (looked >= budget) return { best: null, isWhole: false, looked };
      rows.read(before, state);
      const lastEnd = inOrder ? Math.max(...state.free) : 0;
      for (let wheel = 0; wheel < wheels.length; wheel++) {
        if (state.next[wheel] === wheels[wheel]!.blocks.length) continue;
        for (let person = 0; person < people; person++) {
          if (!namesCount && isLike(state.free, person)) continue;
          const endMin = placeInto(problem, state, wheel, person, next);
          if (endMin === null || endMin < lastEnd) continue;
          if (namesCount && !stands(next)) continue;
          looked++;
          const bound = boundOf(next);
          if (bound === null || thinning?.isOut(next) || !front.takes(next, count)) continue;
          following.add(next);
          steps.set(count, { before, wheel, person });
          if (width < Infinity) bounds.push(bound);
          count++;
        }
      }
    }
    depths.push(steps);
    layer = [...Array(count).keys()].filter(front.isIn);
    if (thinning) {
      const { layer: left, samples } = thinning.thinned(layer, following.read);
      layer = left;
      looked += samples * SAMPLE_LOOKS;
    }
    if (layer.length > width) {
      layer.sort((a, b) => compare(bounds[a]!, bounds[b]!));
      layer.length = width;
      isWhole = false;
    }
    [rows, following] = [following, rows];
  }
  const plans = layer.map((at) => planOf(problem, depths, at));
  const best = plans.reduce<PlanState | null>(
    (b, plan) => (b === null || compareCosts(plan.cost, b.cost) < 0 ? plan : b),
    null,
  );
  return { best, isWhole, looked };
};
