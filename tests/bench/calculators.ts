import { performance } from 'node:perf_hooks';
import { seeded } from '../../src/core/base/statistics';
import { attempt } from '../../src/core/base/working';
import { WORKINGS } from '../../src/core/workings';
import { drawInput } from '../draw-input';

/**
 * How long each calculator takes: on its example, and on input drawn from its schema, as ratios to
 * a fixed amount of arithmetic on the same machine.
 */
const DRAWN = Number(process.env.BENCH_DRAWN ?? 20);
/** What the search of the weights may take here. */
const MAX_STEPS = 4000;

const timed = (run: () => unknown): number => {
  const before = performance.now();
  run();
  return performance.now() - before;
};
/** The best of some: the machine may have had something else to do. */
const best = (run: () => unknown, of = 3): number =>
  Math.min(...Array.from({ length: of }, () => timed(run)));

const unitMs = best(() => {
  let sum = 0;
  for (let i = 1; i < 1_000_000; i++) sum += Math.sqrt(i) / i;
  return sum;
}, 9);
console.log(`a million square roots: ${unitMs.toFixed(2)} ms`);
console.log('| calculator | example, ms | drawn, slowest, ms | in square roots, million |');
console.log('| --- | --- | --- | --- |');
const rows = WORKINGS.map((definition) => {
  const chance = seeded(20_261);
  const inputs = Array.from({ length: DRAWN }, () =>
    drawInput(definition.schema, chance),
  ) as object[];
  for (const input of inputs)
    if ('mostSteps' in input) Object.assign(input, { mostSteps: MAX_STEPS });
  const run = (input: unknown) => attempt(definition as never, input as never);
  return {
    name: definition.name,
    exampleMs: best(() => run(definition.example)),
    slowestMs: Math.max(...inputs.map((input) => best(() => run(input), 2))),
  };
}).sort((a, b) => b.slowestMs - a.slowestMs);
for (const { name, exampleMs, slowestMs } of rows)
  console.log(
    `| ${name} | ${exampleMs.toFixed(2)} | ${slowestMs.toFixed(1)} | ${(slowestMs / unitMs).toFixed(1)} |`,
  );
