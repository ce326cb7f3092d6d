import { InputError } from '../../base/errors';
import { quantity, text } from '../../base/fields';
import { defineWorking, reason, type Reason } from '../../base/working';
import { readRimCode, type Contour } from '../../fit/wheels';
import { bottomMm, checkRim, limpLoop, type BeadAndRim } from './bead-geometry';

/** The parts of a rim to measure, for whether a bead gets over. */
const RIM_PARTS = ['well', 'flange', 'across'] as const;
type RimPart = (typeof RIM_PARTS)[number];

/** A dimension, and how far it may be off; zero where it was measured. */
interface RimDimension {
  mm: number;
  plusMinusMm: number;
  from: 'measured' | 'memory';
}

interface RimProfileFound {
  parts: Record<RimPart, RimDimension>;
  /** To spare at the tightest moment: as it is, and as it may be. */
  spareMm: number;
  leastMm: number;
  mostMm: number;
  /** The measurement that tells most of what is not known; null where all are measured. */
  tellsMost: RimPart | null;
  reason: Reason;
}

interface Recalled {
  mm: number;
  plusMinusMm: number;
}

/** Radial height of the flange above the bead, and depth of the well below it. Basis: memory. */
const CONTOUR: Record<Contour, { flange: Recalled; well: Recalled }> = {
  MT: { flange: { mm: 14, plusMinusMm: 1 }, well: { mm: 14, plusMinusMm: 4 } },
  WM: { flange: { mm: 14, plusMinusMm: 1 }, well: { mm: 13, plusMinusMm: 4 } },
  J: { flange: { mm: 17, plusMinusMm: 1 }, well: { mm: 15, plusMinusMm: 5 } },
  AT: { flange: { mm: 12, plusMinusMm: 2 }, well: { mm: 12, plusMinusMm: 4 } },
  plain: { flange: { mm: 14, plusMinusMm: 2 }, well: { mm: 13, plusMinusMm: 5 } },
};
/** From the far side in the well to the flange: half of the width and something. Basis: memory. */
const ACROSS = { besideMm: 11, plusMinusMm: 7 } as const;
/** A bite of the usual length, to tell what a dimension matters. Common practice. */
const BITE_MM = 70;

const NAMES: Record<RimPart, string> = {
  well: 'the diameter in the well',
  flange: 'the diameter over the flange',
  across: 'the distance from the well to the far flange',
};

interface Input {
  rimCode: string;
  wellMm?: number;
  flangeMm?: number;
  axialMm?: number;
}

/** To spare at the tightest moment, by the limp loop. */
const spareOf = (beadMm: number, mm: Record<RimPart, number>): number => {
  const rim: BeadAndRim = {
    beadMm,
    wellMm: mm.well,
    flangeMm: mm.flange,
    axialMm: mm.across,
    fillMm: 0,
  };
  const loop = limpLoop(rim, bottomMm(rim));
  const biteDeg = (BITE_MM / (Math.PI * mm.flange)) * 360;
  return loop.slackMm(loop.tightestDeg(biteDeg), biteDeg);
};

/**
 * The rim of a bead's path: what was measured, and what its code lets one recall of the rest; which
 * measurement would tell most of whether the bead gets over.
 *
 * `rimCode` with its diameter; what is measured in mm. Throws `InputError` for a code without a diameter, and for
 * measurements that contradict the bead. Source: geometry; the shapes of contours are recalled.
 */
export const rimProfile = defineWorking<Input, RimProfileFound>({
  name: 'rim-profile',
  title: 'Rim shape',
  input: () => ({
    rimCode: text(40, 'The rim code'),
    wellMm: quantity('mm', 60, 700, 'Well diameter').optional(),
    flangeMm: quantity('mm', 80, 750, 'Flange diameter').optional(),
    axialMm: quantity('mm', 0, 400, 'Well to far flange').optional(),
  }),
  example: { rimCode: '2.15x19', wellMm: 455 },
  work({ rimCode, wellMm, flangeMm, axialMm }, show) {
    const code = readRimCode(rimCode);
    if (code.rimDiameterMm === null)
      throw new InputError(
        'rimCode',
        `${rimCode} says no diameter.`,
        'Enter a rim code with its diameter, such as 2.15x19',
      );
    const beadMm = show.line('bead', 'by the rim code', code.rimDiameterMm, 'mm');
    const recalled = CONTOUR[code.contour];
    const measured = (mm: number): RimDimension => ({ mm, plusMinusMm: 0, from: 'measured' });
    const parts: Record<RimPart, RimDimension> = {
      well:
        wellMm === undefined
          ? {
              mm: beadMm - 2 * recalled.well.mm,
              plusMinusMm: 2 * recalled.well.plusMinusMm,
              from: 'memory',
            }
          : measured(wellMm),
      flange:
        flangeMm === undefined
          ? {
              mm: beadMm + 2 * recalled.flange.mm,
              plusMinusMm: 2 * recalled.flange.plusMinusMm,
              from: 'memory',
            }
          : measured(flangeMm),
      across:
        axialMm === undefined
          ? {
              mm: code.widthMm / 2 + ACROSS.besideMm,
              plusMinusMm: ACROSS.plusMinusMm,
              from: 'memory',
            }
          : measured(axialMm),
    };
    const mm = { well: parts.well.mm, flange: parts.flange.mm, across: parts.across.mm };
    checkRim({ beadMm, wellMm: mm.well, flangeMm: mm.flange });
    for (const part of RIM_PARTS)
      show.line(
        NAMES[part],
        parts[part].from === 'measured'
          ? 'measured'
          : `recalled, ± ${parts[part].plusMinusMm.toFixed(0)} mm`,
        mm[part],
        'mm',
      );
    const spareMm = show.line(
      'to spare at the tightest',
      `with bites of ${BITE_MM} mm`,
      spareOf(beadMm, mm),
      'mm',
    );
    // Each of them takes room away as it grows.
    const off = (sign: 1 | -1, of: readonly RimPart[]) =>
      spareOf(
        beadMm,
        of.reduce(
          (all, part) => ({ ...all, [part]: mm[part] + sign * parts[part].plusMinusMm }),
          mm,
        ),
      );
    const [leastMm, mostMm] = [off(1, RIM_PARTS), off(-1, RIM_PARTS)];
    const open = RIM_PARTS.filter((part) => parts[part].from === 'memory')
      .map((part) => ({ part, lessMm: spareMm - off(1, [part]) }))
      .sort((a, b) => b.lessMm - a.lessMm);
    const tellsMost = open[0]?.part ?? null;
    for (const { part, lessMm } of open)
      show.line(`what ${NAMES[part]} may change`, 'by its ±', lessMm, 'mm');
    show.basis('published', 'geometry of a loop that does not stretch');
    if (tellsMost !== null)
      show.basis('memory', 'how high flanges stand and how deep wells lie, by contour');
    const amounts = [leastMm, mostMm].map((value) => ({ value, unit: 'mm' as const, digits: 0 }));
    const why =
      tellsMost === null
        ? reason('good', 'All three are measured.')
        : reason(
            'check',
            `${open.length === RIM_PARTS.length ? 'By the code alone' : 'With what is measured'}, between {0} and {1} to spare. Measure ${NAMES[tellsMost]} ${open.length === 1 ? 'too' : 'first'}.`,
            amounts,
          );
    show.verdict(why.verdict);
    return { parts, spareMm, leastMm, mostMm, tellsMost, reason: why };
  },
});
