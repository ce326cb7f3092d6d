import { InputError } from '../../base/errors';
import {
  count,
  uniqueBy,
  listOf,
  marking,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
} from '../../base/fields';
import type { RuleValues } from '../../base/rules';
import { anInch, readTire, type TireSize } from '../tires';
import {
  defineWorking,
  reason,
  VERDICT_RANK,
  worstOf,
  type Reason,
  type Verdict,
} from '../../base/working';
import { parseTubeLabel } from './tube-label';
import { doubleTube, tubeMassG, type DoubledTube } from './tube-double';
import { judgeOldTube, OLD_TUBE_FIELDS, type TubeFindings, type TubeReuse } from './tube-reuse';
import { stretchOf } from './tube-stretch';

/** A tube on the shelf. */
export interface TubeStock {
  id: string;
  label: string;
  count: number;
  valve?: 'TR-4' | 'TR-6' | 'angled' | 'rubber' | undefined;
  wall?: 'standard' | 'heavy' | 'ultra' | undefined;
  /** Width laid flat; null where no one measured it. */
  flatWidthMm?: number | null | undefined;
}

/** The fit of one tube to the tire, with its reasons. */
export interface TubeFit {
  id: string;
  label: string;
  fit: 'covers' | 'near' | 'no';
  verdict: Verdict;
  /** The label first. */
  reasons: Reason[];
  inStock: number;
}

interface TubePick {
  /** The best tube in stock, or null when none will do. */
  bestId: string | null;
  fits: TubeFit[];
  /** An old tube worn as a sleeve, where pinching is the risk; null on the road. */
  doubled: DoubledTube | null;
  /** Whether the old tube goes in again, where it was looked at. */
  old: TubeReuse | null;
}

const TUBE_USES = ['motocross', 'dirt', 'trail', 'road', 'scooter'] as const;
export type TubeUse = (typeof TUBE_USES)[number];

interface Input {
  tire: string;
  tubes: TubeStock[];
  use?: TubeUse;
  valveHoleMm?: number;
  /** The findings on the old tube. */
  old?: Omit<TubeFindings, 'rules'>;
  rules?: RuleValues;
}

/** A tire this much outside the label's widths is near enough to say so, not to fit unasked. */
const NEAR_MM = 6;
const FIT_RANK = { covers: 0, near: 1, no: 2 } as const;

/** The wall that a use wants most. Common practice: heavy ones resist pinching and run hotter. */
const WALL_WANTED: Record<TubeUse, readonly ('standard' | 'heavy' | 'ultra')[]> = {
  motocross: ['heavy', 'ultra', 'standard'],
  dirt: ['heavy', 'ultra', 'standard'],
  trail: ['ultra', 'heavy', 'standard'],
  road: ['standard'],
  scooter: ['standard'],
};

/** Smallest and largest hole of a tube's valve, mm. Basis: memory. */
const HOLE_MM = { 'TR-4': [8, 9], 'TR-6': [8, 9], angled: [8, 9], rubber: [11, 13] } as const;
/** Uses in which a tube is pinched between rim and rock. */
const PINCHES: readonly TubeUse[] = ['motocross', 'dirt', 'trail'];
/** Rims this small are narrow to reach into: an angled valve is wanted. Basis: memory. */
const SMALL_RIM_IN = 12;

const mm = (value: number) => ({ value, unit: 'mm' as const });

const byLabel = (
  size: TireSize,
  label: string,
): { fit: TubeFit['fit']; offMm: number; reason: Reason } => {
  const range = parseTubeLabel(label);
  const offMm = Math.abs(size.sectionWidthMm - (range.minWidthMm + range.maxWidthMm) / 2);
  if (range.rimDiameterIn !== size.rimDiameterIn)
    return { fit: 'no', offMm, reason: reason('stop', `For ${anInch(range.rimDiameterIn)} rim.`) };
  const span = [mm(range.minWidthMm), mm(range.maxWidthMm)];
  const under = range.minWidthMm - size.sectionWidthMm;
  const over = size.sectionWidthMm - range.maxWidthMm;
  // A label rounds: 3.00 in and 76 mm are the same tire.
  if (Math.max(under, over) <= 1)
    return { fit: 'covers', offMm, reason: reason('good', 'The label covers {0} to {1}.', span) };
  const near = Math.max(under, over) <= NEAR_MM;
  const why =
    under > 0
      ? 'is for a wider tire: it can fold, and a fold pinches'
      : 'is for a narrower tire: stretched it runs thin and hot';
  return {
    fit: near ? 'near' : 'no',
    offMm,
    reason: reason(near ? 'check' : 'stop', `The label, {0} to {1}, ${why}.`, span),
  };
};

const judge = (
  size: TireSize,
  tube: TubeStock,
  { use, valveHoleMm, rules }: Input,
): TubeFit & { offMm: number; wallRank: number } => {
  const label = byLabel(size, tube.label);
  const reasons = [label.reason];
  if (label.fit !== 'no') {
    if (tube.flatWidthMm != null) reasons.push(stretchOf(size, tube.flatWidthMm, rules).reason);
    if (valveHoleMm !== undefined && tube.valve) {
      const [low, high] = HOLE_MM[tube.valve];
      if (valveHoleMm < low - 0.5)
        reasons.push(
          reason('stop', `Its ${tube.valve} valve does not pass a hole of {0}.`, [mm(valveHoleMm)]),
        );
      else if (valveHoleMm > high + 0.5)
        reasons.push(
          reason('check', `Its ${tube.valve} valve is loose in a hole of {0}: use a bushing.`, [
            mm(valveHoleMm),
          ]),
        );
    }
    if (tube.valve && size.rimDiameterIn <= SMALL_RIM_IN && tube.valve !== 'angled')
      reasons.push(
        reason('check', 'A straight valve on a small wheel: is there room for the chuck?'),
      );
    if (tube.valve === 'angled' && size.rimDiameterIn > SMALL_RIM_IN)
      reasons.push(reason('check', 'An angled valve: made for small wheels.'));
    if (use === 'road' && tube.wall && tube.wall !== 'standard')
      reasons.push(
        reason(
          'check',
          `${tube.wall === 'heavy' ? 'A heavy' : 'An ultra heavy'} wall runs hot on the road.`,
        ),
      );
    else if (use && tube.wall && use !== 'scooter')
      reasons.push(
        reason(
          'good',
          tube.wall === 'standard'
            ? 'Standard wall.'
            : `${tube.wall === 'heavy' ? 'Heavy' : 'Ultra heavy'} wall: resists pinching, stiffer to feed in.`,
        ),
      );
  }
  const wanted = use && tube.wall ? WALL_WANTED[use].indexOf(tube.wall) : 0;
  const verdict = worstOf(reasons);
  return {
    id: tube.id,
    label: tube.label,
    inStock: tube.count,
    reasons,
    verdict,
    offMm: label.offMm,
    wallRank: wanted < 0 ? 9 : wanted,
    fit: label.fit !== 'no' && verdict === 'stop' ? 'no' : label.fit,
  };
};

/**
 * The fit of every tube to a tire, the best first. Throws `InputError` naming the tube with a bad
 * label.
 */
export const fitTubes = (input: Input): TubePick => {
  const size = readTire(input.tire, input.rules);
  const judged = input.tubes.map((tube, i) => {
    try {
      return judge(size, tube, input);
    } catch (error) {
      if (error instanceof InputError)
        throw new InputError(`tubes[${i}].label`, error.message, error.expected);
      throw error;
    }
  });
  judged.sort(
    (a, b) =>
      FIT_RANK[a.fit] - FIT_RANK[b.fit] ||
      Number(b.inStock > 0) - Number(a.inStock > 0) ||
      VERDICT_RANK[a.verdict] - VERDICT_RANK[b.verdict] ||
      a.wallRank - b.wallRank ||
      a.offMm - b.offMm,
  );
  const best =
    judged.find((f) => f.fit === 'covers' && f.inStock > 0) ??
    judged.find((f) => f.fit === 'near' && f.inStock > 0);
  return {
    bestId: best?.id ?? null,
    fits: judged.map(({ id, label, fit, verdict, reasons, inStock }): TubeFit => ({
      id,
      label,
      fit,
      verdict,
      reasons,
      inStock,
    })),
    doubled:
      input.use !== undefined && PINCHES.includes(input.use)
        ? doubleTube(tubeMassG(size, 'standard', undefined))
        : null,
    old: input.old
      ? judgeOldTube({ ...input.old, ...(input.rules ? { rules: input.rules } : {}) })
      : null,
  };
};

/**
 * The tube for a tire, from the stock at hand: its label, its stretch where its flat width is
 * known, its valve against the rim's hole, and the wall that the use wants; with an old tube as a
 * sleeve, and the old tube itself, as options.
 *
 * `tire` as printed on the sidewall; `tubes` at most 500; `valveHoleMm` 5 to 25.
 * Throws `InputError` naming the tube with a bad label. Common practice: pick the label that covers
 * the tire.
 */
export const tubePick = defineWorking<Input, TubePick>({
  name: 'tube-pick',
  title: 'Tubes in stock for a tire',
  input: () => ({
    tire: marking('The tire that goes on'),
    tubes: uniqueBy(
      listOf(
        record(
          {
            id: text(60, 'Name of the tube'),
            label: text(80, 'The sizes on its label'),
            count: count(0, 10_000, 'In stock'),
            valve: oneOf(['TR-4', 'TR-6', 'angled', 'rubber'], 'Its valve').optional(),
            wall: oneOf(['standard', 'heavy', 'ultra'], 'Its wall').optional(),
            flatWidthMm: quantity('mm', 15, 300, 'Its width laid flat').allow(null).optional(),
          },
          'A tube',
        ),
        500,
        'The tubes to pick from',
      ),
      'id',
    ),
    old: record(OLD_TUBE_FIELDS, 'The old tube').optional(),
    use: oneOf(TUBE_USES, 'Use').optional(),
    valveHoleMm: quantity('mm', 5, 25, 'The rim’s valve hole').optional(),
    rules: ruleValues(),
  }),
  example: {
    tire: '110/90-19',
    use: 'dirt',
    valveHoleMm: 8.5,
    tubes: [
      {
        id: 'a',
        label: '100/90-19, 110/90-19',
        count: 2,
        wall: 'heavy',
        valve: 'TR-4',
        flatWidthMm: 105,
      },
      {
        id: 'b',
        label: '2.75/3.00-21',
        count: 4,
        wall: 'standard',
        valve: 'TR-4',
        flatWidthMm: null,
      },
    ],
  },
  work(input, show) {
    const size = readTire(input.tire, input.rules);
    show.line('tire', 'section width', size.sectionWidthMm, 'mm');
    show.line('rim', 'as printed', size.rimDiameterIn, 'in');
    const pick = fitTubes(input);
    show.basis(
      'practice',
      'the tube whose label covers the tire; heavy walls where pinching is the risk',
    );
    show.basis(
      'memory',
      `within ${NEAR_MM} mm of the label counts as near; holes and walls of tubes`,
    );
    const best = pick.fits.find((f) => f.id === pick.bestId);
    show.verdict(best ? (best.fit === 'covers' ? best.verdict : 'check') : 'stop');
    if (best?.fit === 'near')
      show.caution(`No label covers this tire. ${best.label} is close: lay it flat and measure.`);
    if (!best) show.caution('No tube in stock fits this tire.');
    if (pick.doubled)
      show.line(
        'an old tube as a sleeve adds',
        'wall, girth and length of a standard tube',
        pick.doubled.addedMassG,
        'g',
      );
    if (pick.old)
      show.line(
        'the old tube',
        pick.old.reasons.map((r) => r.says).join(' '),
        pick.old.again ? 'again' : 'do not reuse',
      );
    for (const f of pick.fits.slice(0, 6))
      show.line(f.label, f.reasons.map((r) => r.says).join(' '), f.fit);
    return pick;
  },
});
