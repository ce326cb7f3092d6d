import { performance } from 'node:perf_hooks';
import { rankTires, type Candidate, type FitContext } from '../../src/core/bench/fitting';
import { TREADS } from '../../src/core/fit/tires';
import { readTire } from '../../src/core/fit/tires';

/**
 * Times of the choosing core, per item: 10 000 markings read, 5000 tires ranked for one wheel.
 * Prints; judges nothing.
 */

/** About 600 different markings, more than a large shelf has. */
const WIDTHS = [80, 90, 100, 110, 120, 130, 140, 150, 160, 170, 180, 190];
const RIMS = [10, 12, 14, 16, 17, 18, 19, 21];
const ASPECTS = [55, 60, 65, 70, 80, 90, 100];
const TAILS = [
  '',
  ' 62M TT',
  ' 69H TL',
  ' M/C (73W) TL',
  ' 57M TT NHS',
  ' 65S',
  ' 70V TL Rear',
  ' 54P TT',
  ' 58H Front',
  ' 66H',
  ' 71H TL',
];
const OTHERS = ['3.00-21', '4.60-18', 'MT90B16 72H', '25x8-12 6PR', '33.0/10.5-15', '2 3/4-17'];

const marking = (i: number, rim?: number): string =>
  rim === undefined && i % 7 === 0
    ? OTHERS[i % OTHERS.length]!
    : `${WIDTHS[i % WIDTHS.length]}/${ASPECTS[Math.floor(i / 3) % ASPECTS.length]}${i % 3 === 0 ? 'ZR' : '-'}${rim ?? RIMS[i % RIMS.length]}${TAILS[Math.floor(i / 5) % TAILS.length]}`;

const context: FitContext = {
  from: '110/90-19 62M TT',
  end: 'rear',
  kind: 'dirt',
  use: 'dirt',
  build: 'spoked',
  rimCode: '2.15x19',
  tubelessMarked: false,
  sealed: false,
  discSide: 'right',
  tube: true,
  clearancesMm: { above: 24, left: 12, right: 14 },
  minLoadIndex: 57,
  minSpeedSymbol: 'M',
  sheet: { emptyFrontKg: 54, emptyRearKg: 57, riderKg: 90, passengerKg: 0, luggageKg: 5 },
  onDate: '2026-04-30',
};

const stock = (count: number, rim?: number): Candidate[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `t${i}`,
    marking: marking(i, rim),
    tread: TREADS[i % TREADS.length]!,
    arrows: 'one',
    dateCode: `${String(1 + (i % 52)).padStart(2, '0')}${20 + (i % 6)}`,
    takeOff: i % 19 === 0,
    treadMm: i % 19 === 0 ? 5 : null,
    count: i % 4,
  }));

/** Runs a few times to warm up, then says the median. */
const time = (name: string, items: number, run: () => void, rounds = 15): void => {
  for (let i = 0; i < 3; i++) run();
  const ms = Array.from({ length: rounds }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const median = ms[Math.floor(rounds / 2)]!;
  console.log(
    `${name.padEnd(58)} ${median.toFixed(1).padStart(7)} ms  ${((median * 1000) / items).toFixed(2).padStart(7)} µs each  (${ms[0]!.toFixed(1)} to ${ms.at(-1)!.toFixed(1)})`,
  );
};

const markings = Array.from({ length: 10_000 }, (_, i) => marking(i));
time('10 000 markings read', markings.length, () => markings.forEach((m) => readTire(m)));
const mixed = stock(5000);
console.log(
  `the mixed shelf has ${new Set(mixed.map((t) => t.marking)).size} different markings, the other ${new Set(stock(5000, 19).map((t) => t.marking)).size}`,
);
time('5000 tires of a mixed shelf ranked', mixed.length, () => void rankTires(mixed, context));
const same = stock(5000, 19);
time('5000 tires, all for this rim, ranked', same.length, () => void rankTires(same, context));
