import { SYMPTOM_WORDS, type Symptom } from '../../job/procedure';
import { STATIONS, type StationId } from '../../base/stations';

/**
 * The middle of some values, by linear interpolation at a share of 0 to 1 of them in their order.
 */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const at = share * (sorted.length - 1);
  const low = Math.floor(at);
  const high = Math.min(sorted.length - 1, low + 1);
  return sorted[low]! + (at - low) * (sorted[high]! - sorted[low]!);
};

/** The time at a station, over all jobs of a period. */
export interface StationTook {
  station: StationId;
  jobs: number;
  medianS: number;
  ninetyS: number;
  /** Its share of all the time that was worked, in percent. */
  sharePct: number;
}

/** Time by station, in the order of the work; stations without work are left out. */
export const stationsTook = (
  times: readonly { station: StationId; tookS: number }[],
): StationTook[] => {
  const whole = times.reduce((n, t) => n + t.tookS, 0);
  return STATIONS.flatMap((station): StationTook[] => {
    const its = times.filter((t) => t.station === station).map((t) => t.tookS);
    if (its.length === 0) return [];
    const sum = its.reduce((a, b) => a + b, 0);
    return [
      {
        station,
        jobs: its.length,
        medianS: quantile(its, 0.5),
        ninetyS: quantile(its, 0.9),
        sharePct: whole === 0 ? 0 : (100 * sum) / whole,
      },
    ];
  });
};

/** The number of times a trouble was met, and how often it was cured. */
export interface TroubleMet {
  symptom: Symptom;
  says: string;
  count: number;
  cured: number;
}

/** Trouble by type, the most frequent first. */
export const troublesMet = (
  met: readonly { symptom: Symptom; isCured: boolean }[],
): TroubleMet[] => {
  const by = new Map<Symptom, TroubleMet>();
  for (const { symptom, isCured } of met) {
    const known = by.get(symptom) ?? { symptom, says: SYMPTOM_WORDS[symptom], count: 0, cured: 0 };
    by.set(symptom, { ...known, count: known.count + 1, cured: known.cured + (isCured ? 1 : 0) });
  }
  return [...by.values()].sort((a, b) => b.count - a.count || a.says.localeCompare(b.says));
};

/** The weights left on wheels with a tire of one size. */
export interface WeightLeft {
  marking: string;
  jobs: number;
  medianG: number;
  leastG: number;
  mostG: number;
}

/** Balance weight by tire, the heaviest first. */
export const weightsLeft = (left: readonly { marking: string; massG: number }[]): WeightLeft[] => {
  const by = new Map<string, number[]>();
  for (const { marking, massG } of left) by.set(marking, [...(by.get(marking) ?? []), massG]);
  return [...by]
    .map(([marking, all]) => ({
      marking,
      jobs: all.length,
      medianG: quantile(all, 0.5),
      leastG: Math.min(...all),
      mostG: Math.max(...all),
    }))
    .sort((a, b) => b.medianG - a.medianG || a.marking.localeCompare(b.marking));
};
