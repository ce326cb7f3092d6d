import { ruleNumber } from '../rules';
import type { Entry } from './entries';
import { effectiveEntries } from './fold-job';
import type { StationId } from '../stations';

/** How long things took, in seconds, from the times in the log. */
export interface Times {
  stations: Partial<Record<StationId, number>>;
  /** By step id. */
  steps: Record<string, number>;
}

/**
 * Time spent at each station and on each step: from the entry before it to the entry that ends it.
 * A gap longer than the rule `bench.breakMinutes` is a break and counts for nothing, as does what was undone.
 */
export const timesOf = (log: readonly Entry[]): Times => {
  const standing = new Set(effectiveEntries(log).map((e) => e.id));
  const rules = log.find((e) => e.kind === 'rules');
  const breakS = ruleNumber('bench.breakMinutes', rules?.kind === 'rules' ? rules.data.values : undefined) * 60;
  const times: Times = { stations: {}, steps: {} };
  log.forEach((entry, i) => {
    const before = log[i - 1];
    if (!before || !standing.has(entry.id) || entry.kind === 'rules') return;
    const gapS = Math.round((Date.parse(entry.at) - Date.parse(before.at)) / 1000);
    if (gapS < 0 || gapS > breakS) return;
    times.stations[entry.station] = (times.stations[entry.station] ?? 0) + gapS;
    if (entry.kind === 'step') times.steps[entry.data.stepId] = gapS;
  });
  return times;
};

/** What is usual in this shop at a station, for wheels of one build. */
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
  return sorted.length % 2 === 1 ? sorted[Math.floor(middle)]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};
