import { tryInput } from '../../base/errors';
import { leak } from '../../bench/pressure';
import { rollout } from '../../bench/ring';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { ageOf, treadWear } from '../../fit/tires';
import { daysAfter, daysBetween } from '../../base/units';
import { attempt } from '../../base/working';
import type { Wheel } from '../../fit/wheels';
import { LOOK_WORDS, type Look } from './look';

/** Something to look at on a day, YYYY-MM-DD. */
export interface Due {
  look: Look;
  what: string;
  onDate: string;
}

const YEAR_DAYS = 365;
const DAYS_PER_YEAR = 365.25;
/**
 * A series of pressures that is far apart is several: the tire was filled in between. Basis:
 * memory.
 */
const SERIES_DAYS = 60;

/** The standing tire's readings of late. */
const seriesOf = ({ pressures }: Wheel): Wheel['pressures'] => {
  const inOrder = [...pressures].sort((a, b) => a.onDate.localeCompare(b.onDate));
  const lastDay = inOrder.at(-1)?.onDate;
  return lastDay === undefined
    ? []
    : inOrder.filter((p) => daysBetween(p.onDate, lastDay) <= SERIES_DAYS);
};

/** A tire that leaks, or of which two readings or more cannot tell yet. */
const leakDue = (wheel: Wheel, minimumKpa: number | null, rules: RuleValues): Due[] => {
  const series = seriesOf(wheel);
  const [first, last] = [series[0], series.at(-1)];
  if (!first || !last || series.length < 2) return [];
  const found = attempt(leak, {
    readings: series.map(({ onDate, gaugeKpa, tempC }) => ({
      day: daysBetween(first.onDate, onDate),
      gaugeKpa,
      tempC,
    })),
    tube: wheel.tube,
    gaugeStepKpa: ruleNumber('gauge.stepKpa', rules),
    altitudeM: ruleNumber('shop.altitudeM', rules),
    ...(minimumKpa === null ? {} : { minimumKpa }),
    rules,
  });
  if (!found.ok || found.working.result.finding === 'ordinary') return [];
  const { finding, nextCheckDays } = found.working.result;
  return [
    {
      look: 'leak',
      what: finding === 'slow leak' ? 'Slow leak: find it, read the pressure' : LOOK_WORDS.leak,
      onDate: daysAfter(last.onDate, nextCheckDays),
    },
  ];
};

/** When the line of wear meets the minimum; at once where the tread is there already. */
const treadDue = ({ treads }: Wheel, rules: RuleValues): Due[] => {
  if (treads.length === 0) return [];
  const worn = attempt(treadWear, {
    readings: treads.map(({ km, depthMm, onDate }) => ({ km, depthMm, onDate })),
    rules,
  });
  if (!worn.ok) return [];
  const { doneOn, kmLeft } = worn.working.result;
  if (kmLeft === 0)
    return [
      {
        look: 'tread',
        what: 'Tread at its minimum',
        onDate: treads
          .map((t) => t.onDate)
          .sort()
          .at(-1)!,
      },
    ];
  return doneOn === null ? [] : [{ look: 'tread', what: 'Tread near its minimum', onDate: doneOn }];
};

/** A wheel of a pair is taped after each run until it has settled. */
const tapeDue = ({ pair, rollouts }: Wheel, rules: RuleValues): Due[] => {
  const last = rollouts.at(-1);
  if (pair === null || !last) return [];
  const taped = attempt(rollout, {
    readings: rollouts.map(({ run, circumferenceMm, gaugeKpa }) => ({
      run,
      circumferenceMm,
      gaugeKpa,
    })),
    rules,
  });
  if (!taped.ok || taped.working.result.settled) return [];
  return [
    {
      look: 'tape',
      what: 'Tape after each run until it settles',
      onDate: daysAfter(last.onDate, ruleNumber('recheck.tapeDays', rules)),
    },
  ];
};

/**
 * The rechecks that the readings in a wheel's record ask for: a leak, the tread, the growth of a
 * pair. `minimumKpa` the machine's placard, null if there is none.
 */
export const dueOfWheel = (wheel: Wheel, minimumKpa: number | null, rules: RuleValues): Due[] =>
  wheel.archived
    ? []
    : [...leakDue(wheel, minimumKpa, rules), ...treadDue(wheel, rules), ...tapeDue(wheel, rules)];

/** When an instrument or a wrench is calibrated again; never where no one has said when it was. */
export const dueOfTool = (
  tool: { archived: boolean; calibratedOn: string | null },
  rules: RuleValues,
): Due[] =>
  tool.archived || tool.calibratedOn === null
    ? []
    : [
        {
          look: 'calibration',
          what: LOOK_WORDS.calibration,
          onDate: daysAfter(tool.calibratedOn, ruleNumber('recheck.calibrationDays', rules)),
        },
      ];

/**
 * When a fitted tire's age is looked at: when it gets old by the shop's rule, a year after the last
 * look otherwise. `fittedOn` the day it went on, `lookedOn` the last look at its age or null. None
 * for a code that cannot be read.
 */
export const ageDue = (
  dateCode: string,
  fittedOn: string,
  lookedOn: string | null,
  rules: RuleValues,
): Due[] => {
  const made = tryInput(() => ageOf(dateCode, fittedOn, rules).weekOf.startsOn);
  if (!made.ok) return [];
  const oldOn = daysAfter(made.value, ruleNumber('tire.ageCheckYears', rules) * DAYS_PER_YEAR);
  const seenOn = lookedOn ?? (oldOn <= fittedOn ? fittedOn : null);
  return [
    {
      look: 'age',
      what: LOOK_WORDS.age,
      onDate: seenOn !== null && seenOn >= oldOn ? daysAfter(seenOn, YEAR_DAYS) : oldOn,
    },
  ];
};
