import {
  advisedAir,
  advisedLeak,
  advisedPair,
  advisedRing,
  hiddenLeak,
  hiddenPair,
  PAIR_LEVELS,
  practicePair,
  LEAK_LEVELS,
  practiceLeak,
  hiddenRing,
  practiceRing,
  RING_LEVELS,
  AIR_LEVELS,
  hiddenAir,
  hiddenSidewall,
  practiceAir,
  practiceSidewall,
  SIDEWALL_LEVELS,
  advisedLevers,
  advisedTruing,
  hiddenBead,
  hiddenSpokes,
  LEVER_LEVELS,
  outOf,
  playLevers,
  SPOKE_LEVELS,
} from '../../src/core/practice';

const SEEDS = 500;

/** How one hidden wheel was done as advised. */
interface Done {
  good: boolean;
  cost: number;
  ms: number;
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const lever = (seed: number, level: (typeof LEVER_LEVELS)[number]): Omit<Done, 'ms'> => {
  const bead = hiddenBead(seed, level);
  const acts = [...advisedLevers(bead)];
  const { state } = playLevers(bead, acts);
  return {
    good: state.over && state.pinchedDegs.length === 0 && state.scratches === 0,
    cost: acts.length,
  };
};

/** The limit of the shop's usual rule, mm. */
const LIMIT_MM = 1.5;
const nipples = (seed: number, level: (typeof SPOKE_LEVELS)[number]): Omit<Done, 'ms'> => {
  const hidden = hiddenSpokes(seed, level);
  const turned = [...advisedTruing(hidden)].flat();
  const left = outOf(hidden.after(turned));
  return { good: Math.max(left.sideMm, left.upMm) <= LIMIT_MM + 1e-9, cost: turned.length };
};

const told = (name: string, counts: string, play: (seed: number) => Omit<Done, 'ms'>): string => {
  const done = Array.from({ length: SEEDS }, (_, seed): Done => {
    const before = performance.now();
    return { ...play(seed), ms: performance.now() - before };
  });
  const good = done.filter((d) => d.good).length;
  const costs = done.map((d) => d.cost);
  return `${name.padEnd(26)} ${String(good).padStart(4)} of ${SEEDS}   ${counts} ${middle(costs)} in the middle, ${Math.max(...costs)} at most   ${middle(done.map((d) => d.ms)).toFixed(1)} ms each`;
};

const air = (seed: number, level: (typeof AIR_LEVELS)[number]): Omit<Done, 'ms'> => {
  const acts = [...advisedAir(hiddenAir(seed, level))];
  const { good, cost } = practiceAir.run({ seed, level, acts }).result;
  return { good, cost };
};
const ring = (seed: number, level: (typeof RING_LEVELS)[number]): Omit<Done, 'ms'> => {
  const acts = [...advisedRing(hiddenRing(seed, level))];
  const { good, cost } = practiceRing.run({ seed, level, acts }).result;
  return { good, cost };
};
const leaky = (seed: number, level: (typeof LEAK_LEVELS)[number]): Omit<Done, 'ms'> => {
  const acts = [...advisedLeak(hiddenLeak(seed, level))];
  const { good, cost } = practiceLeak.run({ seed, level, acts }).result;
  return { good, cost };
};
const pair = (seed: number, level: (typeof PAIR_LEVELS)[number]): Omit<Done, 'ms'> => {
  const acts = [...advisedPair(hiddenPair(seed, level))];
  const { good, cost } = practicePair.run({ seed, level, acts }).result;
  return { good, cost };
};
const sidewall = (seed: number, level: (typeof SIDEWALL_LEVELS)[number]): Omit<Done, 'ms'> => {
  const { suits, refused, why } = hiddenSidewall(seed, level);
  const acts = [
    { do: 'fits', tire: suits + 1 } as const,
    { do: 'refuse', tire: refused + 1, why } as const,
  ];
  const { good, cost } = practiceSidewall.run({ seed, level, acts }).result;
  return { good, cost };
};

process.stdout.write('Hidden wheels of every kind and level, done as advised:\n');
for (const level of SIDEWALL_LEVELS)
  process.stdout.write(`${told(`sidewall, ${level}`, 'answers', (s) => sidewall(s, level))}\n`);
for (const level of LEVER_LEVELS)
  process.stdout.write(`${told(`levers, ${level}`, 'moves', (s) => lever(s, level))}\n`);
for (const level of RING_LEVELS)
  process.stdout.write(`${told(`ring, ${level}`, 'moves', (s) => ring(s, level))}\n`);
for (const level of PAIR_LEVELS)
  process.stdout.write(`${told(`pair, ${level}`, 'moves', (s) => pair(s, level))}\n`);
for (const level of AIR_LEVELS)
  process.stdout.write(`${told(`air, ${level}`, 'tries', (s) => air(s, level))}\n`);
for (const level of LEAK_LEVELS)
  process.stdout.write(`${told(`leak, ${level}`, 'days', (s) => leaky(s, level))}\n`);
for (const level of SPOKE_LEVELS)
  process.stdout.write(`${told(`true, ${level}`, 'nipples', (s) => nipples(s, level))}\n`);
