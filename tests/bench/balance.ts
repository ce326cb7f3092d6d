import { performance } from 'node:perf_hooks';
import { balanceAdvise, type MassVector, type Observation } from '../../src/core/bench/balance';
import { hiddenWheel, standFor } from '../hidden-wheels';

/**
 * A thousand hidden wheels, balanced in three ways: a piece at a time, guess and halve, and as this
 * program advises.
 */
const WHEELS = Number(process.env.BENCH_WHEELS ?? 1000);
const MOST = 40;

interface Outcome {
  placements: number;
  residualG: number;
  settles: number;
}
type Stand = ReturnType<typeof standFor>;

/** The middle of a rest from each side. */
const rest = (stand: Stand, weights: MassVector[]) => {
  const [a, b] = [stand.settle(weights), stand.settle(weights)];
  const off = ((b.restDeg - a.restDeg + 540) % 360) - 180;
  return (a.restDeg + off / 2 + 360) % 360;
};

/** Seven grams at the top, until it stays or the other side comes down. */
const pieceByPiece = (stand: Stand): Outcome => {
  const top = (rest(stand, []) + 180) % 360;
  const on: MassVector[] = [];
  for (let placements = 1; placements < MOST; placements++) {
    on.push({ massG: 7, deg: top });
    const moved = stand.level(top, on).moved;
    if (moved !== 'rises') return { placements, residualG: stand.residualG(on), settles: 2 };
  }
  return { placements: MOST, residualG: stand.residualG(on), settles: 2 };
};

/** Thirty grams at the top, then half as much more or less, until it stays. */
const guessAndHalve = (stand: Stand): Outcome => {
  const top = (rest(stand, []) + 180) % 360;
  let [massG, step] = [30, 30];
  for (let placements = 1; placements < MOST; placements++) {
    const on = [{ massG, deg: top }];
    const moved = stand.level(top, on).moved;
    if (moved === 'stays') return { placements, residualG: stand.residualG(on), settles: 2 };
    // A first guess that is far too little is doubled, not halved.
    if (!(moved === 'rises' && massG >= step && placements === 1)) step = Math.max(2.5, step / 2);
    massG += moved === 'rises' ? step : -step;
  }
  return { placements: MOST, residualG: stand.residualG([{ massG, deg: top }]), settles: 2 };
};

/** A shelf with pieces of 5, 10 and 20 g for 36 spokes. */
const SPOKES = Array.from({ length: 36 }, (_, i) => i * 10 + 5);
const STOCK = [
  { massG: 5, count: 24 },
  { massG: 10, count: 24 },
  { massG: 20, count: 12 },
];
const asAdvised = (stand: Stand): Outcome => {
  const seen: Observation[] = [];
  let on: MassVector[] = [];
  let placements = 0;
  for (let act = 0; act < 60; act++) {
    const advice = balanceAdvise.run({
      seen,
      on,
      stock: STOCK,
      positions: SPOKES,
      sides: 'one',
    }).result;
    if (advice.do === 'done' || advice.do === 'look' || placements > MOST) break;
    if (advice.do === 'settle') seen.push(stand.settle(on, advice.from, advice.turned));
    else if (advice.do === 'level') seen.push(stand.level(advice.deg, on, advice.at));
    else {
      on = advice.place;
      placements++;
    }
  }
  return { placements, residualG: stand.residualG(on), settles: seen.length };
};

const quantile = (values: number[], q: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))]!;

const WAYS = {
  'a piece at a time, 7 g': pieceByPiece,
  'guess 30 g and halve': guessAndHalve,
  'as advised': asAdvised,
};
console.log(
  `| dead band | way | placements, median | 95% | residual 95%, g | readings, median | ms a wheel |`,
);
console.log('| --- | --- | --- | --- | --- | --- | --- |');
const perBand = Math.ceil(WHEELS / 6);
for (const bandG of (process.env.BENCH_BANDS ?? '1,2,3,4,5,6').split(',').map(Number))
  for (const [name, way] of Object.entries(WAYS)) {
    const before = performance.now();
    const out = Array.from({ length: perBand }, (_, i) =>
      way(standFor(hiddenWheel(bandG * 10_000 + i, bandG), bandG * 10_000 + i)),
    );
    const ms = (performance.now() - before) / perBand;
    const of = (pick: (o: Outcome) => number, q: number) => quantile(out.map(pick), q);
    console.log(
      `| ${bandG} g | ${name} | ${of((o) => o.placements, 0.5)} | ${of((o) => o.placements, 0.95)} | ${of((o) => o.residualG, 0.95).toFixed(1)} | ${of((o) => o.settles, 0.5)} | ${ms.toFixed(1)} |`,
    );
  }
