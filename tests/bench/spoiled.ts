import { SPOILERS, spoiledSeries } from '../spoiled-series';

/** How each kind of spoiled balancing series ends: `BENCH_SERIES` wheels of each. */
const WHEELS = Number(process.env.BENCH_SERIES ?? 40);
const FIRST_SEED = Number(process.env.BENCH_SEED ?? 300_000);
/** More than this left, and a wheel must not be called balanced: twice the tolerance. */
const TOO_MUCH_G = 10;

const kinds = Object.entries(SPOILERS).filter(([name]) =>
  new RegExp(process.env.BENCH_KIND ?? '.').test(name),
);
console.log(
  '| what is wrong | noticed | called balanced | of these over 10 g | most left, g | placements, median | readings, median |',
);
console.log('| --- | --- | --- | --- | --- | --- | --- |');
for (const [name, spoiler] of kinds) {
  const ends = Array.from({ length: WHEELS }, (_, i) => spoiledSeries(FIRST_SEED + i, spoiler));
  const done = ends.filter((e) => e.end === 'done');
  const median = (of: (typeof ends)[number][], pick: (e: (typeof ends)[number]) => number) =>
    of.map(pick).sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? '';
  const noticed = ends.filter((e) => e.noticedAt !== null || e.end === 'look').length;
  const most = Math.max(0, ...done.map((e) => e.leftG));
  console.log(
    `| ${name} | ${noticed} of ${WHEELS} | ${done.length} | ${done.filter((e) => e.leftG > TOO_MUCH_G).length} | ${most.toFixed(0)} | ${median(ends, (e) => e.placements)} | ${median(ends, (e) => e.readings)} |`,
  );
}
