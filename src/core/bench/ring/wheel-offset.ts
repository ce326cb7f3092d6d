import { InputError, inputError } from '../../base/errors';
import { quantity, record } from '../../base/fields';
import { defineWorking, reason, worstOf, type Reason, type Show } from '../../base/working';

/** The measures of a bare wheel, ring bolted on. */
interface WheelWidths {
  /** Between the beads' seats, inside the rings. */
  innerWidthMm?: number;
  /** Over the outsides, clamped rings included. */
  overallWidthMm?: number;
  /** Straight edge across the ring on the mounting side, down to the mounting face. */
  backspaceMm: number;
  /** The width outside the beads on each side: ring or flange. */
  ringMm?: number;
}

interface Input extends WheelWidths {
  other?: WheelWidths;
}

/** The edges of a wheel, from its mounting face. */
interface WheelEdges {
  overallWidthMm: number;
  /** Mounting face from the middle; above zero it lies toward the outside. */
  offsetMm: number;
  /** From the mounting face to the outer edge. */
  frontspaceMm: number;
}

interface WheelOffset extends WheelEdges {
  /** The moves of the second set's edges, positive toward frame and toward fender. */
  moves: (WheelEdges & { inwardMm: number; outwardMm: number }) | null;
  reasons: Reason[];
}

/** A flange where no one measured it, each side. Basis: memory. */
const USUAL_FLANGE_MM = 12.7;

const widthsFields = {
  innerWidthMm: quantity('mm', 30, 700, 'Width inside the rings').optional(),
  overallWidthMm: quantity('mm', 30, 800, 'Overall width').optional(),
  backspaceMm: quantity('mm', 0, 700, 'Backspace'),
  ringMm: quantity('mm', 0, 60, 'Ring or flange, each side').optional(),
};

/** The edges of a wheel. `field` names the set in a refusal. */
const edgesOf = (widths: WheelWidths, field: string, show: Show): WheelEdges => {
  const { innerWidthMm, overallWidthMm, backspaceMm, ringMm } = widths;
  if ((innerWidthMm === undefined) === (overallWidthMm === undefined))
    throw new InputError(
      `${field}overallWidthMm`,
      'One width is wanted.',
      'Enter the overall width, or the width inside the rings',
    );
  if (overallWidthMm === undefined && ringMm === undefined)
    show.basis('memory', 'a ring or flange without a measurement counts as {0} on each side', [
      { value: USUAL_FLANGE_MM, unit: 'mm' },
    ]);
  const acrossMm = show.line(
    'over all',
    overallWidthMm === undefined ? 'inside + ring or flange, both sides' : 'as measured',
    overallWidthMm ?? innerWidthMm! + 2 * (ringMm ?? USUAL_FLANGE_MM),
    'mm',
  );
  if (backspaceMm >= acrossMm)
    throw inputError(
      `${field}backspaceMm`,
      'The backspace is not less than the overall width.',
      'Enter less than {0}',
      [{ value: acrossMm, unit: 'mm', bound: 'max' }],
    );
  const offsetMm = show.line(
    'offset',
    'backspace − over all / 2',
    backspaceMm - acrossMm / 2,
    'mm',
  );
  const frontspaceMm = show.line(
    'frontspace',
    'over all − backspace',
    acrossMm - backspaceMm,
    'mm',
  );
  return { overallWidthMm: acrossMm, offsetMm, frontspaceMm };
};

/** The side that a moving edge comes nearer to, or leaves. */
const moved = (byMm: number, toward: string, edge: string): Reason =>
  Math.abs(byMm) < 0.05
    ? reason('good', `The ${edge} stays where it is.`)
    : reason(
        byMm > 0 ? 'check' : 'good',
        `The ${edge} comes {0} ${byMm > 0 ? 'nearer to' : 'away from'} the ${toward}.`,
        [{ value: Math.abs(byMm), unit: 'mm', digits: 1 }],
      );

/**
 * Offset and frontspace of a wheel, and what another wheel moves inward and outward.
 *
 * Widths 30 to 800 mm, backspace 0 to 700 mm, from the mounting side's ring to the mounting face.
 * Throws `InputError` where no width or both are given, or the backspace passes the width. Source:
 * geometry, offset = backspace − width / 2.
 */
export const wheelOffset = defineWorking<Input, WheelOffset>({
  name: 'wheel-offset',
  title: 'Wheel offset and backspace',
  input: () => ({
    ...widthsFields,
    other: record(widthsFields, 'Another wheel in its place').optional(),
  }),
  example: {
    overallWidthMm: 280,
    backspaceMm: 120,
    other: { overallWidthMm: 305, backspaceMm: 140 },
  },
  work({ other, ...widths }, show) {
    const here = edgesOf(widths, '', show);
    show.basis('measured', 'widths and backspace, ring bolted on');
    if (!other) {
      const side = here.offsetMm > 0 ? 'outside' : 'inside';
      const reasons = [
        Math.abs(here.offsetMm) < 0.05
          ? reason('good', 'The mounting face lies in the middle.')
          : reason('good', `The mounting face lies {0} to the ${side} of the middle.`, [
              { value: Math.abs(here.offsetMm), unit: 'mm', digits: 1 },
            ]),
      ];
      show.verdict('good');
      return { ...here, moves: null, reasons };
    }
    const there = edgesOf(other, 'other.', show);
    const inwardMm = show.line(
      'inward',
      'backspace there − here',
      other.backspaceMm - widths.backspaceMm,
      'mm',
    );
    const outwardMm = show.line(
      'outward',
      'frontspace there − here',
      there.frontspaceMm - here.frontspaceMm,
      'mm',
    );
    const reasons = [
      moved(inwardMm, 'frame', 'inner edge'),
      moved(outwardMm, 'fender', 'outer edge'),
    ];
    show.verdict(worstOf(reasons));
    if (inwardMm > 0.05 || outwardMm > 0.05)
      show.caution(
        'See that nothing touches with the suspension pressed down and the wheels turned.',
      );
    return { ...here, moves: { ...there, inwardMm, outwardMm }, reasons };
  },
});
