import Joi from 'joi';
import { InputError } from '../../base/errors';
import { count, listOf, marking, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import {
  defineWorking,
  reason,
  SILENT,
  worstOf,
  type Reason,
  type Show,
  type Verdict,
} from '../../base/working';
import { anInch } from './rim-diameter';
import { readTire, type TireSize } from './tire-size';

/**
 * The places of a clearance: `above`, `ahead` change with the radius, `left`, `right` with half the
 * width.
 */
export const CLEARANCE_PLACES = ['above', 'ahead', 'left', 'right'] as const;
export type ClearancePlace = (typeof CLEARANCE_PLACES)[number];

/** The places in words. */
export const PLACE_WORDS: Record<ClearancePlace, string> = {
  above: 'above the tire',
  ahead: 'ahead of the tire',
  left: 'left of the tire',
  right: 'right of the tire',
};

export type Clearances = Partial<Record<ClearancePlace, number>>;

/** The machine's part of a comparison. */
interface CompareContext {
  end?: 'front' | 'rear';
  /** Clearance measured with the first size on. */
  clearancesMm?: Clearances;
  sprockets?: { front: number; rear: number };
  /** The tire at the other end of a machine with wheel-speed sensors. */
  otherEnd?: string;
  rules?: RuleValues;
}

/** The changes from the first size to another; positive is larger, or more room used. */
export interface SizeChange {
  to: TireSize;
  sectionWidthChangeMm: number;
  sectionHeightChangeMm: number;
  diameterChangeMm: number;
  diameterChangePct: number;
  circumferenceChangePct: number;
  turnsPerKm: number;
  /** Above zero: a speedometer driven by this wheel reads high by so many percent. */
  speedometerErrorPct: number;
  /** The axle comes up by so much. */
  rideHeightChangeMm: number;
  /**
   * The rear sprocket that would have changed the overall gearing as the new tire does; null
   * without sprockets.
   */
  likeRearTeeth: number | null;
  /** Turns of the front wheel for one of the rear; null without a sensor at the other end. */
  sensor: { present: number; after: number; changePct: number } | null;
  /** Room standing still. */
  clearancesAfterMm: Clearances;
  /** Room with growth at speed and the maker's tolerance. */
  clearancesAtSpeedMm: Clearances;
  /** The rims are of one diameter, so that the new tire can go on at all. */
  sameRim: boolean;
  verdict: Verdict;
  reasons: Reason[];
}

/** One to three changes from the first size. */
export interface TireComparison {
  from: TireSize;
  turnsPerKm: number;
  changes: SizeChange[];
}

const round = (v: number) => Math.round(v * 10) / 10;
const pct = (from: number, to: number) => (to / from - 1) * 100;
const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);
const MM_IN_KM = 1_000_000;

const clearances = (
  from: TireSize,
  to: TireSize,
  context: CompareContext,
  reasons: Reason[],
  show: Show,
): Pick<SizeChange, 'clearancesAfterMm' | 'clearancesAtSpeedMm'> => {
  const clearancesAfterMm: Clearances = {};
  const clearancesAtSpeedMm: Clearances = {};
  const { clearancesMm = {}, rules } = context;
  const places = CLEARANCE_PLACES.filter((p) => clearancesMm[p] !== undefined);
  if (places.length === 0) return { clearancesAfterMm, clearancesAtSpeedMm };
  const growthMm = (to.sectionHeightMm * ruleNumber('clearance.growthPct', rules, show)) / 100;
  const widthGrowthMm =
    (to.sectionWidthMm * ruleNumber('clearance.widthGrowthPct', rules, show)) / 200;
  const leastMm = ruleNumber('clearance.leastMm', rules, show);
  for (const place of places) {
    const beforeMm = clearancesMm[place]!;
    const radial = place === 'above' || place === 'ahead';
    const usedMm =
      (radial
        ? to.overallDiameterMm - from.overallDiameterMm
        : to.sectionWidthMm - from.sectionWidthMm) / 2;
    const growMm = radial ? growthMm : widthGrowthMm;
    const afterMm = show.line(
      `clearance ${place} after`,
      `${round(beforeMm)} − ${round(usedMm)} (half the ${radial ? 'diameter' : 'width'} change)`,
      beforeMm - usedMm,
      'mm',
    );
    const atSpeedMm = show.line(
      `clearance ${place} at speed`,
      `${round(afterMm)} − ${round(growMm)} (${radial ? 'growth' : 'tolerance'})`,
      afterMm - growMm,
      'mm',
    );
    clearancesAfterMm[place] = afterMm;
    clearancesAtSpeedMm[place] = atSpeedMm;
    const where = PLACE_WORDS[place];
    const mm = (value: number) => ({ value, unit: 'mm' as const });
    if (afterMm <= 0) reasons.push(reason('stop', `No clearance left ${where}.`));
    else if (atSpeedMm <= 0)
      reasons.push(reason('stop', `{0} clearance ${where} at rest, none at speed.`, [mm(afterMm)]));
    else if (atSpeedMm < leastMm)
      reasons.push(
        reason('check', `{0} clearance ${where}, {1} at speed; shop minimum {2}.`, [
          mm(afterMm),
          mm(atSpeedMm),
          mm(leastMm),
        ]),
      );
    else
      reasons.push(
        reason('good', `{0} clearance ${where}, {1} at speed.`, [mm(afterMm), mm(atSpeedMm)]),
      );
  }
  return { clearancesAfterMm, clearancesAtSpeedMm };
};

const sensorRatio = (
  from: TireSize,
  to: TireSize,
  context: CompareContext,
  reasons: Reason[],
  show: Show,
): SizeChange['sensor'] => {
  if (context.otherEnd === undefined || context.end === undefined) return null;
  const otherMm = readTire(context.otherEnd, context.rules).circumferenceMm;
  const ratio = (thisMm: number) => (context.end === 'rear' ? thisMm / otherMm : otherMm / thisMm);
  const present = show.line(
    'front turns for one of the rear, now',
    'rear circumference / front',
    ratio(from.circumferenceMm),
  );
  const after = show.line(
    'front turns for one of the rear, then',
    'rear circumference / front',
    ratio(to.circumferenceMm),
  );
  const changePct = show.line(
    'ratio change',
    `${after.toFixed(4)} / ${present.toFixed(4)} − 1`,
    pct(present, after),
    'pct',
  );
  const limitPct = ruleNumber('sensor.ratioChangePct', context.rules, show);
  if (Math.abs(changePct) > limitPct)
    reasons.push(
      reason(
        'check',
        'The wheel-speed sensors see a different ratio, by {0}. The manual says whether it needs a recalibration.',
        [{ value: changePct, unit: 'pct' }],
      ),
    );
  return { present, after, changePct };
};

/** The changes from one size to another, with their reasons. */
export const compareSizes = (
  from: TireSize,
  to: TireSize,
  context: CompareContext,
  show: Show = SILENT,
): SizeChange => {
  const reasons: Reason[] = [];
  const minus = (label: string, a: number, b: number) =>
    show.line(label, `${round(b)} − ${round(a)}`, b - a, 'mm');
  const sectionWidthChangeMm = minus('section width', from.sectionWidthMm, to.sectionWidthMm);
  const sectionHeightChangeMm = minus('section height', from.sectionHeightMm, to.sectionHeightMm);
  const diameterChangeMm = minus('diameter', from.overallDiameterMm, to.overallDiameterMm);
  const diameterChangePct = show.line(
    'diameter change',
    `${round(to.overallDiameterMm)} / ${round(from.overallDiameterMm)} − 1`,
    pct(from.overallDiameterMm, to.overallDiameterMm),
    'pct',
  );
  const turnsPerKm = show.line(
    'turns',
    `1 000 000 / ${round(to.circumferenceMm)}`,
    MM_IN_KM / to.circumferenceMm,
    '1/km',
  );
  const speedometerErrorPct = show.line(
    'speedometer reads high by',
    'old circumference / new − 1',
    pct(to.circumferenceMm, from.circumferenceMm),
    'pct',
  );
  const rideHeightChangeMm = show.line(
    'axle comes up by',
    'half the diameter change',
    diameterChangeMm / 2,
    'mm',
  );
  const { sprockets, end } = context;
  const likeRearTeeth =
    sprockets && end !== 'front'
      ? show.line(
          'geared as with a rear sprocket of',
          `${sprockets.rear} × old circumference / new`,
          (sprockets.rear * from.circumferenceMm) / to.circumferenceMm,
        )
      : null;
  const sameRim = from.rimDiameterIn === to.rimDiameterIn;
  if (!sameRim)
    reasons.push(
      reason(
        'stop',
        `${capital(anInch(to.rimDiameterIn))} tire does not go on ${anInch(from.rimDiameterIn)} rim.`,
      ),
    );
  const room = clearances(from, to, context, reasons, show);
  const sensor = sensorRatio(from, to, context, reasons, show);
  const lowPct = -speedometerErrorPct;
  if (lowPct > ruleNumber('speedo.readsLowPct', context.rules, show) + 0.05)
    reasons.push(
      reason('check', 'A speedometer on this wheel reads {0} low.', [
        { value: lowPct, unit: 'pct' },
      ]),
    );
  if (to.estimated || from.estimated)
    reasons.push(
      reason('check', 'One of these sizes is incomplete, so the difference is an estimate.'),
    );
  return {
    to,
    sectionWidthChangeMm,
    sectionHeightChangeMm,
    diameterChangeMm,
    diameterChangePct,
    circumferenceChangePct: pct(from.circumferenceMm, to.circumferenceMm),
    turnsPerKm,
    speedometerErrorPct,
    rideHeightChangeMm,
    likeRearTeeth,
    sensor,
    ...room,
    sameRim,
    verdict: worstOf(reasons),
    reasons,
  };
};

interface Input extends CompareContext {
  sizes: string[];
}

/** The sizes read; a bad one is named by its place. */
const readAll = (sizes: readonly string[], rules: RuleValues | undefined): TireSize[] =>
  sizes.map((text, i) => {
    try {
      return readTire(text, rules);
    } catch (error) {
      if (error instanceof InputError)
        throw new InputError(`sizes[${i}]`, error.message, error.expected);
      throw error;
    }
  });

/**
 * The changes when other tire sizes replace the first one.
 *
 * `sizes` two to four, the present one first; `clearancesMm` measured with it, 0 to 1000; `sprockets` in teeth;
 * `otherEnd` the tire at the other end, where both have wheel-speed sensors. Nominal, unloaded dimensions.
 * Throws `InputError` for a marking that makes no sense. Source: arithmetic on the sizes of UN
 * Regulation No. 75.
 */
export const tireCompare = defineWorking<Input, TireComparison>({
  name: 'tire-compare',
  title: 'Compare tire sizes',
  input: () => ({
    sizes: listOf(marking('A size'), 4, 'The current size, then one to three others'),
    end: oneOf(['front', 'rear'], 'The end of the machine').optional(),
    clearancesMm: Joi.object(
      Object.fromEntries(
        CLEARANCE_PLACES.map((p) => [
          p,
          quantity('mm', 0, 1000, `Clearance ${PLACE_WORDS[p]}`).optional(),
        ]),
      ),
    )
      .optional()
      .description('Clearance measured with the first size')
      .meta({ expected: `Enter the clearance by place: ${CLEARANCE_PLACES.join(', ')}` }),
    sprockets: record(
      { front: count(5, 40, 'Teeth in front'), rear: count(10, 100, 'Teeth at the rear') },
      'Sprockets',
    ).optional(),
    otherEnd: marking('The tire at the other end, with wheel-speed sensors').optional(),
    rules: ruleValues(),
  }),
  example: {
    sizes: ['140/80-17', '130/80-17'],
    end: 'rear',
    clearancesMm: { above: 20 },
    sprockets: { front: 16, rear: 42 },
  },
  work({ sizes, ...context }, show) {
    if (sizes.length < 2)
      throw new InputError(
        'sizes',
        'There is nothing to compare.',
        'Enter two to four sizes, the current one first',
      );
    if (context.otherEnd !== undefined && context.end === undefined)
      throw new InputError('end', 'Front or rear is not set.', 'Choose front or rear');
    if (context.otherEnd !== undefined) {
      try {
        readTire(context.otherEnd);
      } catch (error) {
        if (error instanceof InputError)
          throw new InputError('otherEnd', error.message, error.expected);
        throw error;
      }
    }
    const [from, ...others] = readAll(sizes, context.rules) as [TireSize, ...TireSize[]];
    show.basis('published', 'UN Regulation No. 75, metric dimensions');
    const changes = others.map((to) => {
      if (others.length > 1) show.line(to.canonical, `in place of ${from.canonical}`, '');
      const change = compareSizes(from, to, context, show);
      show.verdict(change.verdict);
      for (const r of change.reasons)
        if (r.verdict !== 'good')
          show.caution(others.length > 1 ? `${to.canonical}: ${r.says}` : r.says);
      return change;
    });
    if ([from, ...others].some((s) => s.estimated))
      show.basis('memory', 'what one of the sizes does not state is estimated');
    return { from, turnsPerKm: MM_IN_KM / from.circumferenceMm, changes };
  },
});
