import { howMany } from '../../../tests/how-many';
import { hiddenWheel, standFor } from '../../../tests/hidden-wheels';
import { balancePlace, nextStep, slipsRuledOut, type MassVector, type Observation } from '.';

const STOCK = [
  { massG: 5, count: 24 },
  { massG: 10, count: 24 },
  { massG: 20, count: 12 },
];
const SPOKES = Array.from({ length: 36 }, (_, i) => i * 10 + 5);
const realize = ({ massG, deg }: MassVector) =>
  balancePlace.run({
    counterMassG: massG,
    counterDeg: deg,
    stock: STOCK,
    positions: SPOKES,
    sides: 'one',
    rules: { 'balance.toleranceG': 1.5 },
  }).result.pieces;

/** Advised to the end; how many times weights were put on, and what is left. */
const balance = (seed: number, bandG: number) => {
  const stand = standFor(hiddenWheel(seed, bandG), seed);
  const seen: Observation[] = [];
  let on: MassVector[] = [];
  let placements = 0;
  for (let act = 0; act < 40; act++) {
    const advice = nextStep({
      seen,
      on,
      toleranceG: 5,
      trialsG: [5, 10, 15, 20, 25, 30, 40, 50, 60, 80],
      realize,
      ruledOut: () => slipsRuledOut(seen, {}),
    });
    if (advice.do === 'done' || advice.do === 'look') return { placements, residualG: stand.residualG(on) };
    if (advice.do === 'settle') seen.push(stand.settle(on, advice.from));
    else if (advice.do === 'level') seen.push(stand.level(advice.deg, on));
    else if (advice.do !== 'spin') {
      on = advice.do === 'final' ? [...advice.pieces] : [{ massG: advice.massG, deg: advice.deg }];
      placements++;
    }
  }
  throw new Error(`wheel ${seed} was never done`);
};

test.each(howMany([1, 6], [1, 3.5, 6]))(
  'dead band %d g: two placements in the middle, three for nearly all, and balanced',
  (bandG) => {
    const wheels = howMany(9, 48);
    const out = Array.from({ length: wheels }, (_, i) => balance(40_000 + i, bandG));
    const counts = out.map((o) => o.placements).sort((a, b) => a - b);
    const nearlyAll = Math.ceil(0.95 * wheels) - 1;
    expect(counts[Math.floor(wheels / 2)]).toBeLessThanOrEqual(2);
    expect(counts[nearlyAll]).toBeLessThanOrEqual(3);
    expect(out.map((o) => o.residualG).sort((a, b) => a - b)[nearlyAll]).toBeLessThanOrEqual(Math.max(5, bandG) * 1.15);
  },
  60_000,
);
