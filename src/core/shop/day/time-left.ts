import { count, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { minutesRule, ruleNumber, type RuleValues } from '../../base/rules';
import { STATIONS, STATION_WORDS, type StationId } from '../../base/stations';
import { counted } from '../../base/units';
import { defineWorking } from '../../base/working';

/** The work left at one station of one wheel. */
export interface StationLeft {
  station: StationId;
  /** Share of its work that is still to do, in percent. */
  leftPct: number;
  /** Seconds that the shop's jobs on wheels of this build took there. */
  tookS: number[];
}

export interface TimeLeft {
  medianS: number;
  /** Nine times in ten it is done by then. */
  ninetyS: number;
  /** Jobs of the shop that it rests on, at the station with the fewest. */
  fewestJobs: number;
}

interface Input {
  stations: StationLeft[];
  rules?: RuleValues;
}

/** Standard normal quantile of nine in ten. */
const Z90 = 1.2815515655446004;
const DAY_S = 86_400;

const sum = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0);

/**
 * The time of a station as a log-normal: mean and variance of its logarithm, from the shop's jobs
 * and what counts before them. Source: conjugate normal inverse-gamma model; its spread taken at
 * the posterior’s precision.
 */
const logNormalOf = (
  tookS: readonly number[],
  prior: { minutes: number; jobs: number; spread: number },
): { mean: number; variance: number } => {
  const logs = tookS.map((s) => Math.log(Math.max(1, s)));
  const n = logs.length;
  const priorMean = Math.log(prior.minutes * 60);
  const own = n === 0 ? priorMean : sum(logs) / n;
  const weight = prior.jobs + n;
  const squares =
    sum(logs.map((x) => (x - own) ** 2)) + (prior.jobs * n * (own - priorMean) ** 2) / weight;
  const alpha = prior.jobs / 2 + n / 2;
  const beta = (prior.jobs / 2) * prior.spread ** 2 + squares / 2;
  return {
    mean: (prior.jobs * priorMean + n * own) / weight,
    variance: (beta / alpha) * (1 + 1 / weight),
  };
};

/** One station's share of the sum. */
interface Part {
  left: StationLeft;
  middleS: number;
  meanS: number;
  varianceS: number;
}

const partsOf = (stations: readonly StationLeft[], rules: RuleValues | undefined): Part[] => {
  const jobs = ruleNumber('time.priorJobs', rules);
  const spread = ruleNumber('time.spreadPct', rules) / 100;
  return stations
    .filter((s) => s.leftPct > 0)
    .map((left): Part => {
      const minutes = ruleNumber(minutesRule(left.station), rules);
      const { mean, variance } = logNormalOf(left.tookS, { minutes, jobs, spread });
      const share = left.leftPct / 100;
      return {
        left,
        middleS: share * Math.exp(mean),
        meanS: share * Math.exp(mean + variance / 2),
        varianceS: share ** 2 * Math.exp(2 * mean + variance) * Math.expm1(variance),
      };
    });
};

const totalOf = (parts: readonly Part[]): TimeLeft => {
  if (parts.length === 0) return { medianS: 0, ninetyS: 0, fewestJobs: 0 };
  const meanS = sum(parts.map((p) => p.meanS));
  const variance = Math.log1p(sum(parts.map((p) => p.varianceS)) / meanS ** 2);
  const medianS = meanS / Math.exp(variance / 2);
  return {
    medianS,
    ninetyS: medianS * Math.exp(Z90 * Math.sqrt(variance)),
    fewestJobs: Math.min(...parts.map((p) => p.left.tookS.length)),
  };
};

/**
 * The answer of the working alone, for many visits at once: what it is asked comes from the shop's
 * own logs.
 */
export const timeLeftOf = (stations: readonly StationLeft[], rules?: RuleValues): TimeLeft =>
  totalOf(partsOf(stations, rules));

/**
 * The time that the rest of the work will take: the middle of it, and the time by which it is done
 * nine times in ten.
 *
 * `leftPct` 0 to 100 of each station, at most 120 of them; `tookS` up to 60 times of the shop, 0 to 86,400 s. The sum
 * of log-normals is taken as log-normal (Fenton and Wilkinson). One person, one station after the
 * other.
 */
export const timeLeft = defineWorking<Input, TimeLeft>({
  name: 'time-left',
  title: 'Time left on a job',
  input: () => ({
    stations: listOf(
      record(
        {
          station: oneOf(STATIONS, 'The station'),
          leftPct: quantity('pct', 0, 100, 'Share left to do'),
          tookS: listOf(count(0, DAY_S, 'What a job took, in seconds'), 60, 'Times of past jobs'),
        },
        'A station of a wheel',
      ),
      120,
      'Work left',
    ),
    rules: ruleValues(),
  }),
  example: {
    stations: [
      { station: 'balance', leftPct: 50, tookS: [540, 700, 620] },
      { station: 'wheel-back', leftPct: 100, tookS: [] },
    ],
  },
  work({ stations, rules }, show) {
    for (const key of ['time.priorJobs', 'time.spreadPct']) ruleNumber(key, rules, show);
    const parts = partsOf(stations, rules);
    for (const { left, middleS } of parts) {
      const { station, leftPct, tookS } = left;
      const from =
        tookS.length === 0 ? 'the rule says' : `${counted(tookS.length, 'job')} and the rule say`;
      show.line(
        STATION_WORDS[station],
        `${leftPct.toFixed(0)}% of what ${from}`,
        `${(middleS / 60).toFixed(1)} min`,
      );
    }
    show.basis('practice', 'one person, one station after the other; breaks are not counted');
    show.basis(
      'published',
      'sum of log-normals by Fenton and Wilkinson: matched in mean and variance',
    );
    const total = totalOf(parts);
    show.line('in the middle', 'log-normal of the sum', `${(total.medianS / 60).toFixed(0)} min`);
    show.line(
      'nine times in ten by',
      `middle × e^(${Z90.toFixed(3)} σ)`,
      `${(total.ninetyS / 60).toFixed(0)} min`,
    );
    return total;
  },
});
