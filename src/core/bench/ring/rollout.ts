import { InputError } from '../../base/errors';
import { count, listOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { fitLine } from '../../base/statistics';
import { counted } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

/** A tape round the middle of the tread. `run` 0 before the first run. */
export interface TapeReading {
  run: number;
  circumferenceMm: number;
  gaugeKpa: number;
}

interface Input {
  readings: TapeReading[];
  measuringKpa?: number;
  rules?: RuleValues;
}

export interface Rollout {
  /** At the measuring pressure, run by run. */
  runs: { run: number; circumferenceMm: number }[];
  /** After the last run, at the measuring pressure. */
  circumferenceMm: number;
  /** From run to run; empty with one run. */
  growths: { run: number; growthMm: number }[];
  settled: boolean;
  /** The expected next reading after a run; null while nothing tells. */
  next: { lowMm: number; highMm: number } | null;
  /**
   * The growth for each kPa, from readings at two pressures after one run; null if there are none.
   */
  stretchMmPerKpa: number | null;
  reasons: Reason[];
}

/** Pressures that differ by less are one pressure: a gauge is read no finer. */
const SAME_KPA = 1;
/** A tape reads so fine. Basis: memory. */
const TAPE_MM = 1.6;
/** A tire that lost more than this was misread. */
const SHRINK_MM = 2 * TAPE_MM;

const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;

/**
 * Growth for each kPa, the mean of all runs after which several pressures were taped; null where
 * none was.
 */
export const stretchOf = (readings: readonly TapeReading[]): number | null => {
  const slopes = [...new Set(readings.map((r) => r.run))].flatMap((run) => {
    const its = readings.filter((r) => r.run === run);
    const pressures = its.map((r) => r.gaugeKpa);
    if (Math.max(...pressures) - Math.min(...pressures) < SAME_KPA) return [];
    return [
      fitLine(
        its.map((r) => ({ x: r.gaugeKpa, y: r.circumferenceMm })),
        95,
      ).slope,
    ];
  });
  return slopes.length === 0 ? null : mean(slopes);
};

/**
 * Rollout of a tire from run to run: what it has grown, whether it has settled, and what the next
 * run should read.
 *
 * Tape readings 300 to 4000 mm at their pressures, `run` 0 before the first; the measuring pressure
 * by rule, or given. Readings at other pressures are brought to it by the tire's own stretch, where
 * two pressures of one run tell it; throws `InputError` where they cannot be compared. Common
 * practice: about an inch of growth after the first hot run, taped again after every run until it
 * settles.
 */
export const rollout = defineWorking<Input, Rollout>({
  name: 'rollout',
  title: 'Tire growth by rollout',
  input: () => ({
    readings: listOf(
      record(
        {
          run: count(0, 500, 'Runs so far'),
          circumferenceMm: quantity('mm', 300, 4000, 'Circumference by tape'),
          gaugeKpa: quantity('kPa', 5, 400, 'Pressure'),
        },
        'A tape reading',
      ),
      200,
      'Tape readings',
    ),
    measuringKpa: quantity('kPa', 5, 400, 'Pressure that rollout is taped at').optional(),
    rules: ruleValues(),
  }),
  example: {
    readings: [
      { run: 0, circumferenceMm: 2480, gaugeKpa: 41.4 },
      { run: 1, circumferenceMm: 2503, gaugeKpa: 41.4 },
      { run: 2, circumferenceMm: 2509, gaugeKpa: 41.4 },
    ],
  },
  work({ readings, measuringKpa, rules }, show) {
    if (readings.length === 0)
      throw new InputError('readings', 'Nothing was taped.', 'Enter at least one tape reading');
    const atKpa = show.line(
      'taped at',
      measuringKpa === undefined ? 'rule' : 'given',
      measuringKpa ?? ruleNumber('rollout.measureKpa', rules, show),
      'kPa',
    );
    const stretchMmPerKpa = stretchOf(readings);
    if (stretchMmPerKpa !== null && stretchMmPerKpa < 0)
      throw new InputError(
        'readings',
        'A tire does not shrink with more air.',
        'Measure at two pressures: more air, larger circumference',
      );
    if (stretchMmPerKpa !== null) {
      show.line('growth per kPa', 'two pressures after one run', stretchMmPerKpa, 'mm');
      show.basis('measured', 'the stretch of this very tire');
    }
    const away = readings.findIndex((r) => Math.abs(r.gaugeKpa - atKpa) > SAME_KPA);
    if (away >= 0 && stretchMmPerKpa === null)
      throw new InputError(
        `readings[${away}].gaugeKpa`,
        'It was taped at another pressure, and this tire’s growth is unknown.',
        'Measure at the measuring pressure, or at two pressures after one run',
      );
    const runs = [...new Set(readings.map((r) => r.run))]
      .sort((a, b) => a - b)
      .map((run) => ({
        run,
        circumferenceMm: mean(
          readings
            .filter((r) => r.run === run)
            .map((r) => r.circumferenceMm + (stretchMmPerKpa ?? 0) * (atKpa - r.gaugeKpa)),
        ),
      }));
    for (const r of runs)
      show.line(
        r.run === 0 ? 'before the first run' : `after run ${r.run}`,
        'at the measuring pressure',
        r.circumferenceMm,
        'mm',
      );
    const growths = runs
      .slice(1)
      .map((r, i) => ({ run: r.run, growthMm: r.circumferenceMm - runs[i]!.circumferenceMm }));
    for (const g of growths)
      show.line(`growth by run ${g.run}`, 'this − the one before', g.growthMm, 'mm');
    const settledMm = ruleNumber('rollout.settledMm', rules, show);
    const last = growths.at(-1);
    const settled = last !== undefined && Math.abs(last.growthMm) <= settledMm + 1e-9;
    const { circumferenceMm } = runs.at(-1)!;
    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 1 });
    const reasons: Reason[] = [];
    const shrunk = growths.find((g) => g.growthMm < -SHRINK_MM);
    if (shrunk)
      reasons.push(
        reason(
          'check',
          `It reads {0} less after run ${shrunk.run}: a misread tape, or less air. Tape it again.`,
          [mm(-shrunk.growthMm)],
        ),
      );
    reasons.push(
      last === undefined
        ? reason(
            'check',
            'Taped once: it grows about an inch after the first hot run. Tape it again after every run.',
          )
        : settled
          ? reason(
              'good',
              `Settled: {0} by run ${last.run}, {1} is the limit. Tape it again before each event.`,
              [mm(last.growthMm), mm(settledMm)],
            )
          : last.growthMm < 0
            ? reason('check', `Not settled: it reads {0} less by run ${last.run}. Tape it again.`, [
                mm(-last.growthMm),
              ])
            : reason(
                'check',
                `Still growing: {0} by run ${last.run}, {1} counts as settled. Tape it again after the next run.`,
                [mm(last.growthMm), mm(settledMm)],
              ),
    );
    show.basis(
      'practice',
      'about an inch of growth after the first hot run; taped after every run until it settles',
    );
    // Growth falls off: the next run adds no more than the last one did.
    const next =
      last === undefined
        ? null
        : {
            lowMm: circumferenceMm - TAPE_MM,
            highMm: circumferenceMm + Math.max(0, last.growthMm) + TAPE_MM,
          };
    if (next) {
      show.line('next run, at least', 'this − the tape', next.lowMm, 'mm');
      show.line('next run, at most', 'this + the last growth + the tape', next.highMm, 'mm');
      show.basis(
        'memory',
        `a tape is read to {0}, and a run adds no more than the one before; ${counted(growths.length, 'growth')} seen`,
        [mm(TAPE_MM)],
      );
    }
    show.verdict(worstOf(reasons));
    return { runs, circumferenceMm, growths, settled, next, stretchMmPerKpa, reasons };
  },
});
