import { performance } from 'node:perf_hooks';
import { searchPlaces } from '../../src/core/bench/balance';
import { linearSolver, placeInstance } from '../place-instances';

/**
 * Weights from stock: this program's search beside a general-purpose solver of integer programs,
 * the same 200 instances in one run.
 */
const INSTANCES = 200;

const timed = <T>(run: () => T): { ms: number; out: T } => {
  const before = performance.now();
  const out = run();
  return { ms: performance.now() - before, out };
};
const median = (values: number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const main = async (): Promise<void> => {
  const solve = await linearSolver();
  const [ours, theirs, ratios]: [number[], number[], number[]] = [[], [], []];
  let alike = 0;
  for (let seed = 1; seed <= INSTANCES; seed++) {
    const problem = placeInstance(seed);
    const a = timed(() => searchPlaces(problem));
    const b = timed(() => solve(problem));
    const { within, picks, massG } = a.out;
    if (
      within === (b.out !== null) &&
      (!b.out || (picks.length === b.out.pieces && massG === b.out.massG))
    )
      alike++;
    ours.push(a.ms);
    theirs.push(b.ms);
    ratios.push(b.ms / a.ms);
  }
  console.log(
    `  ${alike} of ${INSTANCES} instances: within the factor of the least mass as few pieces as the solver`,
  );
  console.log(
    `  median ${median(ours).toFixed(3)} ms against ${median(theirs).toFixed(1)} ms; worst ${Math.max(...ours).toFixed(1)} ms against ${Math.max(...theirs).toFixed(0)} ms; solver / ours, median of the ratios ${median(ratios).toFixed(0)}`,
  );
};

void main();
