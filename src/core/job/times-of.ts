import { ruleNumber } from '../base/rules';
import type { Entry } from './entries';
import { effectiveEntries } from './fold-job';
import type { StationId } from '../base/stations';

/** Durations in seconds, from the times in the log. */
export interface Times {
  stations: Partial<Record<StationId, number>>;
  /** By step id. */
  steps: Record<string, number>;
}

const breakSeconds = (log: readonly Entry[]): number => {
  const rules = log.find((e) => e.kind === 'rules');
  return (
    ruleNumber('bench.breakMinutes', rules?.kind === 'rules' ? rules.data.values : undefined) * 60
  );
};

/** Adds the time that ended with the entry at `i`, which stands. */
const count = (times: Times, log: readonly Entry[], i: number, breakS: number): void => {
  const [before, entry] = [log[i - 1], log[i]!];
  if (!before || entry.kind === 'rules') return;
  const gapS = Math.round((Date.parse(entry.at) - Date.parse(before.at)) / 1000);
  if (gapS < 0 || gapS > breakS) return;
  times.stations[entry.station] = (times.stations[entry.station] ?? 0) + gapS;
  if (entry.kind === 'step') times.steps[entry.data.stepId] = gapS;
};

/**
 * Time spent at each station and on each step: from the entry before it to the entry that ends it.
 * A gap longer than the rule `bench.breakMinutes` is a break and counts for nothing, as does what
 * was undone.
 */
export const timesOf = (log: readonly Entry[]): Times => {
  const standing = new Set(effectiveEntries(log).map((e) => e.id));
  const times: Times = { stations: {}, steps: {} };
  const breakS = breakSeconds(log);
  log.forEach((entry, i) => {
    if (standing.has(entry.id)) count(times, log, i, breakS);
  });
  return times;
};

/**
 * The times of a log whose last `more` entries came to what was counted `before`; they undo and
 * correct nothing.
 */
export const timesOn = (before: Times, log: readonly Entry[], more: number): Times => {
  const times: Times = { stations: { ...before.stations }, steps: { ...before.steps } };
  const breakS = breakSeconds(log);
  for (let i = log.length - more; i < log.length; i++) count(times, log, i, breakS);
  return times;
};

/** The usual time at a station in this shop, for wheels of one build. */
export interface UsualTime {
  station: StationId;
  build: string;
  medianS: number;
  jobs: number;
}

/** The middle one; between the two middle ones of an even number. Throws for none. */
export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  if (sorted.length === 0) throw new Error('no median of nothing');
  return sorted.length % 2 === 1
    ? sorted[Math.floor(middle)]!
    : (sorted[middle - 1]! + sorted[middle]!) / 2;
};
