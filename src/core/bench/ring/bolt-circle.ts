import { InputError } from '../../base/errors';
import { count, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { counted, INCH_IN_MM } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason, type Show } from '../../base/working';

interface Input {
  holes: number;
  chordMm?: number;
  skipped?: number;
  holeToFlatMm?: number;
  rules?: RuleValues;
}

/** A bolt circle that is made for so many holes. */
interface NamedCircle {
  label: string;
  diameterMm: number;
}

interface BoltCircle {
  diameterMm: number;
  /** The common circle that is meant; null where none is near. */
  nearest: (NamedCircle & { differenceMm: number }) | null;
  /** From one hole to the next, centers. */
  neighborMm: number;
  /** From one hole to the next but one; null for three holes, where that is a neighbor. */
  skipOneMm: number | null;
  /** The diameter that a common mistake would have read. */
  mistakes: { says: string; readsMm: number; offPct: number }[];
  reasons: Reason[];
}

const inches = (value: number): NamedCircle => ({
  label: `5 on ${value} in`,
  diameterMm: value * INCH_IN_MM,
});
const fourOn = (diameterMm: number): NamedCircle => ({
  label: `4 on ${diameterMm} mm`,
  diameterMm,
});

/** Circles that fitters meet, by the number of holes. Basis: memory. */
const COMMON: Readonly<Partial<Record<number, readonly NamedCircle[]>>> = {
  4: [110, 115, 136, 137, 144, 156].map(fourOn),
  5: [4.5, 4.75, 5, 5.5].map(inches),
};

const sinDeg = (deg: number): number => Math.sin((deg * Math.PI) / 180);
/**
 * From a hole to the straight line between the two far ones, for a circle of diameter 1 and an odd
 * number of holes.
 */
const flatOf = (holes: number): number => (1 + Math.cos(Math.PI / holes)) / 2;

const diameterOf = ({ holes, chordMm, skipped = 0, holeToFlatMm }: Input, show: Show): number => {
  if ((chordMm === undefined) === (holeToFlatMm === undefined))
    throw new InputError(
      'chordMm',
      'Enter one measured distance.',
      'Enter one of them: from hole to hole, or from a hole to the flat',
    );
  if (holeToFlatMm !== undefined) {
    if (holes !== 5)
      throw new InputError(
        'holeToFlatMm',
        `With ${holes} holes, that distance does not exist.`,
        'Enter the distance from hole to hole',
      );
    const flat = show.line('share of the circle', '(1 + cos(180° / holes)) / 2', flatOf(holes));
    return show.line('bolt circle', 'D = distance / share', holeToFlatMm / flat, 'mm');
  }
  if (skipped + 1 > holes / 2)
    throw new InputError(
      'skipped',
      `A circle of ${holes} holes does not have that distance.`,
      `Skip at most ${counted(Math.floor(holes / 2) - 1, 'hole')}`,
    );
  const spanDeg = show.line(
    'half the angle between',
    '180° (skipped + 1) / holes',
    (180 * (skipped + 1)) / holes,
    'deg',
  );
  return show.line('bolt circle', 'D = s / sin(half the angle)', chordMm! / sinDeg(spanDeg), 'mm');
};

/**
 * Bolt circle diameter from one measured distance.
 *
 * `holes` 3 to 12; `chordMm` center to center, with `skipped` holes between the two; or `holeToFlatMm` from one of five
 * holes to the straight line between the two far ones. Throws `InputError` for a distance that no
 * such circle has. Source: regular polygon, D = s / sin(180° (skipped + 1) / holes). Common circles
 * from memory.
 */
export const boltCircle = defineWorking<Input, BoltCircle>({
  name: 'bolt-circle',
  title: 'Bolt circle',
  input: () => ({
    holes: count(3, 12, 'Holes'),
    chordMm: quantity('mm', 10, 500, 'From hole to hole, centers').optional(),
    skipped: count(0, 5, 'Holes between the two').optional(),
    holeToFlatMm: quantity('mm', 10, 500, 'Hole to the line of the two far ones').optional(),
    rules: ruleValues(),
  }),
  example: { holes: 6, chordMm: 57, skipped: 0 },
  work(input, show) {
    const { holes, rules } = input;
    const diameterMm = diameterOf(input, show);
    const chord = (skipped: number) => diameterMm * sinDeg((180 * (skipped + 1)) / holes);
    const neighborMm = show.line('hole to the next', 'D × sin(180° / holes)', chord(0), 'mm');
    const skipOneMm =
      holes === 3
        ? null
        : show.line('to the next but one', 'D × sin(360° / holes)', chord(1), 'mm');
    show.basis('published', 'regular polygon geometry');
    const reasons: Reason[] = [];
    const mistakes: BoltCircle['mistakes'] = [];
    const mistake = (says: string, readsMm: number) => {
      const offPct = (100 * (readsMm - diameterMm)) / diameterMm;
      mistakes.push({ says, readsMm, offPct });
      show.line(says, `${offPct.toFixed(1)}% off`, readsMm, 'mm');
    };
    if (holes === 5) {
      mistake('the skip-one distance taken for the circle', chord(1));
      mistake('a hole to the far flat taken for the circle', diameterMm * flatOf(holes));
      reasons.push(
        reason('good', 'The skip-one distance is not the bolt circle: it reads {0}, 4.9% short.', [
          { value: chord(1), unit: 'mm', digits: 1 },
        ]),
      );
    }
    const nearMm = ruleNumber('circle.nearMm', rules, show);
    const common = COMMON[holes] ?? [];
    const byNearness = common
      .map((c) => ({ ...c, differenceMm: diameterMm - c.diameterMm }))
      .sort((a, b) => Math.abs(a.differenceMm) - Math.abs(b.differenceMm));
    const [first, second] = byNearness;
    const nearest = first && Math.abs(first.differenceMm) <= nearMm ? first : null;
    if (common.length > 0) show.basis('memory', `common circles of ${holes} holes`);
    if (nearest && second && Math.abs(second.differenceMm) <= nearMm)
      reasons.unshift(
        reason(
          'check',
          `${nearest.label} or ${second.label}: too close to tell apart by this measurement.`,
        ),
      );
    else if (nearest) reasons.unshift(reason('good', `${nearest.label}.`));
    else
      reasons.unshift(
        reason(
          'check',
          common.length > 0
            ? 'No common circle is near: measure again.'
            : 'No common circle is known.',
        ),
      );
    show.verdict(worstOf(reasons));
    return { diameterMm, nearest, neighborMm, skipOneMm, mistakes, reasons };
  },
});
