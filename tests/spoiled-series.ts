import { balanceAdvise, type MassVector, type Observation } from '../src/core/bench/balance';
import { normalDeg } from '../src/core/base/units';
import { hiddenWheel, standFor, type HiddenWheel } from './hidden-wheels';

/**
 * Balancing series in which what is written down differs from what is on the stand: a fitter
 * follows the advice to its end and always makes the same mistake. Simulated, so that the imbalance
 * left is known.
 */
export interface Spoiler {
  /** Where and how heavy the weights really are; `placement` counts from 1. */
  weights?(written: readonly MassVector[], placement: number): MassVector[];
  /** What is written down of a reading; `n` counts from 0. */
  seen?(seen: Observation, n: number, placement: number): Observation;
  /** The wheel and its stand after so many placements. */
  wheel?(wheel: HiddenWheel, placement: number): HiddenWheel;
}

export interface SeriesEnd {
  /**
   * The placement at which the fitter was first told that something contradicts itself; null if
   * never.
   */
  noticedAt: number | null;
  end: 'done' | 'look' | 'never';
  placements: number;
  readings: number;
  leftG: number;
  /** All that was written down. */
  seen: readonly Observation[];
}

export const SERIES_STOCK = [
  { massG: 5, count: 24, lengthMm: 0 },
  { massG: 10, count: 24, lengthMm: 0 },
  { massG: 20, count: 12, lengthMm: 0 },
];
export const SERIES_SPOKES = Array.from({ length: 36 }, (_, i) => i * 10 + 5);

const mirrored = (weights: readonly MassVector[]): MassVector[] =>
  weights.map((w) => ({ ...w, deg: normalDeg(-w.deg) }));
const scaled = (by: number) => (weights: readonly MassVector[]) =>
  weights.map((w) => ({ ...w, massG: w.massG * by }));
const shifted = (byDeg: number) => (weights: readonly MassVector[]) =>
  weights.map((w) => ({ ...w, deg: normalDeg(w.deg + byDeg) }));
const heavier = (byG: number) => (weights: readonly MassVector[]) =>
  weights.map((w) => ({ ...w, massG: Math.max(1, w.massG + byG) }));
const always = (moved: 'rises' | 'sinks' | 'stays') => (it: Observation) =>
  it.kind === 'level' ? { ...it, moved } : it;
const crept = (byDeg: number) => (wheel: HiddenWheel, placement: number) =>
  placement < 1
    ? wheel
    : { ...wheel, heavy: { ...wheel.heavy, deg: normalDeg(wheel.heavy.deg + byDeg) } };
const tilted = (tiltG: number) => (wheel: HiddenWheel) => ({ ...wheel, tiltG });

const OPPOSITE = { rises: 'sinks', sinks: 'rises', stays: 'stays' } as const;
const GRAMS_PER_OUNCE = 28.35;

/** The kinds of spoiled series, by what goes wrong. */
export const SPOILERS: Record<string, Spoiler> = {
  'nothing is wrong': {},
  'first weights mirrored': { weights: (on, n) => (n === 1 ? mirrored(on) : [...on]) },
  'second weights mirrored': { weights: (on, n) => (n === 2 ? mirrored(on) : [...on]) },
  'all weights mirrored': { weights: (on) => mirrored(on) },
  'weights mirrored from the second placement on': {
    weights: (on, n) => (n >= 2 ? mirrored(on) : [...on]),
  },
  'weights on the opposite side of the wheel': { weights: shifted(180) },
  'weights one spoke off': { weights: shifted(10) },
  'ounces written as grams': { weights: scaled(GRAMS_PER_OUNCE) },
  'grams written as ounces': { weights: scaled(1 / GRAMS_PER_OUNCE) },
  'weights 5 g heavier than marked': { weights: heavier(5) },
  'weights 5 g lighter than marked': { weights: heavier(-5) },
  'weights closer to the axle': { weights: scaled(0.75) },
  'a weight falls off unseen': { weights: (on) => (on.length > 1 ? on.slice(1) : [...on]) },
  'tire creeps 60° after the first weights': { wheel: crept(60) },
  'tire creeps 20° after the first weights': { wheel: crept(20) },
  'tire creeps 60° after the second weights': { wheel: (wheel, n) => crept(60)(wheel, n - 1) },
  'stand out of level, 12 g': { wheel: tilted(12) },
  'stand out of level, 6 g': { wheel: tilted(6) },
  'stand out of level, 12 g the other way': { wheel: tilted(-12) },
  'stand bumped out of level after the first weights': {
    wheel: (wheel, n) => (n < 1 ? wheel : tilted(12)(wheel)),
  },
  'bearings bind from the first weights on': {
    wheel: (wheel, n) => (n < 1 ? wheel : { ...wheel, bandG: 2 * wheel.bandG }),
  },
  'rises and sinks swapped': {
    seen: (it) => (it.kind === 'level' ? { ...it, moved: OPPOSITE[it.moved] } : it),
  },
  'every level test stays': { seen: always('stays') },
  'every level test sinks': { seen: always('sinks') },
  'every level test rises': { seen: always('rises') },
  'every other level test wrong': {
    seen: (it, n) =>
      it.kind === 'level' && n % 2 === 0
        ? { ...it, moved: it.moved === 'stays' ? 'rises' : 'stays' }
        : it,
  },
  'one resting place mirrored': {
    seen: (it, n) =>
      n === 2 && it.kind === 'settle' ? { ...it, restDeg: normalDeg(-it.restDeg) } : it,
  },
  'resting places read at the top': {
    seen: (it, _n, placement) =>
      it.kind === 'settle' && placement > 0 ? { ...it, restDeg: normalDeg(it.restDeg + 180) } : it,
  },
};

const MAX_ACTS = 60;

/** Follows the advice on the hidden wheel of a seed, with one kind of mistake, to its end. */
export const spoiledSeries = (seed: number, spoiler: Spoiler, bandG?: number): SeriesEnd => {
  const hidden = hiddenWheel(seed, bandG);
  const wheelAt = (placement: number) => spoiler.wheel?.(hidden, placement) ?? hidden;
  const seen: Observation[] = [];
  let [on, really]: [MassVector[], MassVector[]] = [[], []];
  let placements = 0;
  let noticedAt: number | null = null;
  const endAs = (end: SeriesEnd['end']): SeriesEnd => ({
    noticedAt,
    end,
    placements,
    readings: seen.length,
    seen,
    leftG: standFor(wheelAt(placements), seed).residualG(really),
  });
  for (let act = 0; act < MAX_ACTS; act++) {
    const { result } = balanceAdvise.run({
      seen,
      on,
      stock: SERIES_STOCK,
      positions: SERIES_SPOKES,
      sides: 'one',
    });
    if (result.doubt) noticedAt ??= placements;
    if (result.do === 'done' || result.do === 'look') return endAs(result.do);
    const stand = standFor(wheelAt(placements), seed * 1000 + act);
    const see = (it: Observation) => {
      const written = { ...it, weights: on };
      seen.push(spoiler.seen?.(written, seen.length, placements) ?? written);
    };
    if (result.do === 'settle') see(stand.settle(really, result.from, result.turned));
    else if (result.do === 'level') see(stand.level(Math.round(result.deg), really, result.at));
    else {
      placements++;
      on = result.place.map(({ massG, deg }) => ({ massG, deg }));
      really = spoiler.weights?.(on, placements) ?? on;
    }
  }
  return endAs('never');
};
