import { InputError, inputError } from '../../base/errors';
import { count, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { counted } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

export const BEAD_SIDES = ['inner', 'outer'] as const;
export type BeadSide = (typeof BEAD_SIDES)[number];

/** The caliper's readings of one bead and its ring, at several places. */
export interface BeadMeasured {
  side: BeadSide;
  bundleMm: number[];
  gapMm: number[];
}

interface CrushOfBead {
  wheel: 'this' | 'other';
  side: BeadSide;
  /** Mean bundle less mean gap. */
  crushMm: number;
  /** Thinnest bundle less widest gap. */
  leastMm: number;
  /** The spread over the places of the bundle. */
  spreadMm: number;
  reasons: Reason[];
}

export interface BeadCrush {
  beads: CrushOfBead[];
  /**
   * The largest difference between the means of the same side of both wheels; null without a second
   * wheel.
   */
  pairDifferenceMm: number | null;
  reasons: Reason[];
}

interface Input {
  beads: BeadMeasured[];
  other?: BeadMeasured[];
  /** Rings of a wheel: with one, the other bead is not clamped. */
  rings?: number;
  rules?: RuleValues;
}

/** A caliper is read no finer: figures that differ by less are the same. */
const READ_MM = 0.005;
/**
 * One reading cannot show a thin place. Common practice: several places; the number is from memory.
 */
const MIN_PLACES = 3;

const READINGS = (label: string) => listOf(quantity('mm', 0.5, 80, label), 24, label);
const BEADS = (label: string) =>
  listOf(
    record(
      {
        side: oneOf(BEAD_SIDES, 'Which bead'),
        bundleMm: READINGS('Thickness of the bead bundle'),
        gapMm: READINGS('Gap from ring to wheel, ring seated'),
      },
      'A bead',
    ),
    2,
    label,
  );

const mean = (values: readonly number[]): number =>
  values.reduce((a, b) => a + b, 0) / values.length;
const SIDE_WORDS: Record<BeadSide, string> = { inner: 'Inner bead', outer: 'Outer bead' };
const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 2 });

/**
 * Throws `InputError` for a bead that was not measured, that stands twice, or that is thinner than
 * its gap.
 */
const checkBeads = (beads: readonly BeadMeasured[], field: string): void =>
  beads.forEach((bead, i) => {
    for (const what of ['bundleMm', 'gapMm'] as const)
      if (bead[what].length === 0)
        throw new InputError(
          `${field}[${i}].${what}`,
          'No reading here.',
          'Enter at least one reading of the caliper',
        );
    if (beads.findIndex((b) => b.side === bead.side) !== i)
      throw new InputError(
        `${field}[${i}].side`,
        `The ${bead.side} bead is listed twice.`,
        'Enter each bead once',
      );
    const [bundle, gap] = [mean(bead.bundleMm), mean(bead.gapMm)];
    if (bundle <= gap)
      throw inputError(
        `${field}[${i}].bundleMm`,
        'The bundle is not thicker than the gap, so nothing would be clamped.',
        'Measure both again: thicker than the gap, {0}',
        [{ value: gap, unit: 'mm', digits: 2 }],
      );
  });

/**
 * Crush of the beads of a clamped wheel, bead by bead, and against the other wheel of a pair.
 *
 * Thickness of the bundle and gap of the seated ring 0.5 to 80 mm, several places each, both beads.
 * Throws `InputError` for a bundle that is no thicker than its gap. Common practice: 0.100 to 0.120
 * in of crush; makers differ.
 */
export const beadCrush = defineWorking<Input, BeadCrush>({
  name: 'bead-crush',
  title: 'Bead crush',
  input: () => ({
    beads: BEADS('Beads of this wheel'),
    other: BEADS('Beads of the other wheel of the pair').optional(),
    rings: count(1, 2, 'Rings of a wheel').optional(),
    rules: ruleValues(),
  }),
  example: { beads: [{ side: 'outer', bundleMm: [19.6, 19.5, 19.7], gapMm: [16.8, 16.9, 16.8] }] },
  work({ beads, other = [], rings = 2, rules }, show) {
    if (beads.length === 0)
      throw new InputError(
        'beads',
        'No bead was measured.',
        'Measure both beads, one after the other',
      );
    checkBeads(beads, 'beads');
    checkBeads(other, 'other');
    const leastMm = ruleNumber('ring.crushLeastMm', rules, show);
    const mostMm = ruleNumber('ring.crushMostMm', rules, show);
    const spreadLimitMm = ruleNumber('ring.crushSpreadMm', rules, show);
    if (mostMm < leastMm)
      throw new InputError(
        'rules',
        'The most crush is less than the least.',
        'Enter a maximum above the minimum',
      );
    show.basis('measured', 'bundle and gap by caliper');

    const judge = (
      wheel: CrushOfBead['wheel'],
      { side, bundleMm, gapMm }: BeadMeasured,
    ): CrushOfBead => {
      const name = `${wheel === 'other' ? 'the other wheel, ' : ''}${SIDE_WORDS[side].toLowerCase()}`;
      const crushMm = show.line(name, 'mean bundle − mean gap', mean(bundleMm) - mean(gapMm), 'mm');
      const worstMm = show.line(
        `${name}, least`,
        'thinnest bundle − widest gap',
        Math.min(...bundleMm) - Math.max(...gapMm),
        'mm',
      );
      const spreadMm = show.line(
        `${name}, spread`,
        'thickest − thinnest bundle',
        Math.max(...bundleMm) - Math.min(...bundleMm),
        'mm',
      );
      const reasons: Reason[] = [];
      const bead = wheel === 'other' ? `The other wheel’s ${side} bead` : SIDE_WORDS[side];
      if (crushMm < leastMm - READ_MM)
        reasons.push(
          reason(
            'stop',
            `${bead}: crush {0}, needs {1}. The wheel will slip in the tire. Use another tire, or a spacer only if the ring’s maker allows one.`,
            [mm(crushMm), mm(leastMm)],
          ),
        );
      else if (crushMm > mostMm + READ_MM)
        reasons.push(
          reason(
            'check',
            `${bead}: crush {0}, limit {1}: the ring may not close and its bolts bend. A spacer only if the ring’s maker allows one.`,
            [mm(crushMm), mm(mostMm)],
          ),
        );
      else reasons.push(reason('good', `${bead}: crush {0}.`, [mm(crushMm)]));
      if (
        crushMm >= leastMm - READ_MM &&
        worstMm < leastMm - READ_MM &&
        bundleMm.length + gapMm.length > 2
      )
        reasons.push(
          reason('check', `${bead}: only {0} at its thinnest place. Measure there again.`, [
            mm(worstMm),
          ]),
        );
      if (Math.min(bundleMm.length, gapMm.length) < MIN_PLACES)
        reasons.push(
          reason(
            'check',
            `${bead}: ${counted(bundleMm.length, 'reading')} of the bundle, ${gapMm.length} of the gap. Measure each at ${MIN_PLACES} places or more.`,
          ),
        );
      if (spreadMm > spreadLimitMm + READ_MM)
        reasons.push(
          reason('check', `${bead}: its places differ by {0}, {1} is usual. Measure again.`, [
            mm(spreadMm),
            mm(spreadLimitMm),
          ]),
        );
      return { wheel, side, crushMm, leastMm: worstMm, spreadMm, reasons };
    };

    const judged = [...beads.map((b) => judge('this', b)), ...other.map((b) => judge('other', b))];
    const reasons = judged.flatMap((b) => b.reasons);
    for (const [whose, list] of [
      ['', beads],
      ['the other wheel’s ', other],
    ] as const)
      if (rings === 2 && list.length === 1)
        reasons.push(
          reason(
            'check',
            `Measure ${whose}${list[0]!.side === 'inner' ? 'outer' : 'inner'} bead too: they differ.`,
          ),
        );
    const apart = judged
      .filter((b) => b.wheel === 'this')
      .flatMap((b) =>
        judged
          .filter((o) => o.wheel === 'other' && o.side === b.side)
          .map((o) => Math.abs(o.crushMm - b.crushMm)),
      );
    const pairDifferenceMm =
      apart.length === 0
        ? null
        : show.line('between the wheels', 'largest difference of a side', Math.max(...apart), 'mm');
    if (pairDifferenceMm !== null && pairDifferenceMm > spreadLimitMm + READ_MM)
      reasons.push(
        reason('check', 'The pair differs by {0}; {1} is usual.', [
          mm(pairDifferenceMm),
          mm(spreadLimitMm),
        ]),
      );
    show.verdict(worstOf(reasons));
    show.caution('The maker’s spec comes first. Mark the gap on the wheel.');
    return { beads: judged, pairDifferenceMm, reasons };
  },
});
