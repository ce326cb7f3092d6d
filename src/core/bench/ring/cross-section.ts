import { formatQuantity, type UnitPreferences } from '../../base/units';
import type { Wheel } from '../../fit/wheels';
import type { DrawnShape } from '../../fit/drawing';
import { BEAD_SIDES, type BeadSide } from './bead-crush';

/** Bundle and gap at the places where they were measured. */
interface MeasuredBead {
  bundleMm: readonly number[];
  gapMm: readonly number[];
}

type Rim = Pick<
  Wheel,
  | 'build'
  | 'rings'
  | 'overallWidthMm'
  | 'innerWidthMm'
  | 'backspaceMm'
  | 'stepMm'
  | 'flangeMm'
  | 'wellMm'
  | 'circleMm'
  | 'ringGapMm'
>;

/** The field that it is drawn in. */
export const SECTION_FIELD = { width: 600, height: 360 };
/** Half the width of the words at a bead, which stay in the field. */
const WORDS_HALF = 112;
const MARGIN = { side: 46, top: 74, bottom: 64 };

/**
 * Shares of the measured sizes by which the unmeasured ones are drawn, without a number. Basis:
 * memory.
 */
const USUAL = { flangeOverStepMm: 34, wellUnderStepMm: 40, ringMm: 12, seatMm: 26, bundleMm: 19 };

/** Null for what no one measured. */
const mean = (all: readonly number[] | undefined): number | null =>
  all && all.length > 0 ? all.reduce((a, b) => a + b, 0) / all.length : null;

const n = (v: number): number => Math.round(v * 10) / 10;

/** Lengths of the drawing in the fitter's units: whole millimetres where they were measured so. */
export const sectionLength =
  (units: UnitPreferences) =>
  (mm: number): string => {
    const { text, label } = formatQuantity(mm, 'mm', units, {
      digits: Number.isInteger(mm) ? 0 : 1,
    });
    return `${text} ${label}`;
  };

/**
 * One half of a wheel cut through its axle, to scale, inner edge on the left: rim, rings, bead
 * bundles, mounting face, with the measured numbers where they are. `say` writes a length; `beads`
 * what the caliper said of each bead. Null where width or backspace was not measured.
 */
export const crossSection = (
  rim: Rim,
  say: (mm: number) => string,
  beads: Partial<Record<BeadSide, MeasuredBead>> = {},
): DrawnShape[] | null => {
  const { overallWidthMm: wide, backspaceMm: back } = rim;
  if (wide === null || back === null || back >= wide) return null;
  const stepMm =
    rim.stepMm ?? (rim.flangeMm === null ? null : rim.flangeMm - USUAL.flangeOverStepMm) ?? wide;
  const seat = stepMm / 2;
  const flange = Math.max(
    seat + 6,
    rim.flangeMm === null ? seat + USUAL.flangeOverStepMm / 2 : rim.flangeMm / 2,
  );
  const well = Math.min(
    seat - 4,
    rim.wellMm === null ? seat - USUAL.wellUnderStepMm / 2 : rim.wellMm / 2,
  );
  const edge =
    rim.innerWidthMm === null || rim.innerWidthMm >= wide
      ? USUAL.ringMm
      : (wide - rim.innerWidthMm) / 2;
  const low = well * 0.62;
  const scale = Math.min(
    (SECTION_FIELD.width - 2 * MARGIN.side) / wide,
    (SECTION_FIELD.height - MARGIN.top - MARGIN.bottom) / (flange - low),
  );
  const left = (SECTION_FIELD.width - wide * scale) / 2;
  const x = (mm: number): number => n(left + mm * scale);
  const y = (radiusMm: number): number => n(MARGIN.top + (flange - radiusMm) * scale);
  const path = (
    role: DrawnShape['role'],
    points: readonly (readonly [number, number])[],
    closed: boolean,
  ): DrawnShape => ({
    kind: 'path',
    role,
    d: `M${points.map(([mm, r]) => `${x(mm)} ${y(r)}`).join('L')}${closed ? 'Z' : ''}`,
    filled: closed,
  });
  const box = (
    role: DrawnShape['role'],
    fromMm: number,
    toMm: number,
    lowMm: number,
    highMm: number,
  ): DrawnShape =>
    path(
      role,
      [
        [fromMm, lowMm],
        [toMm, lowMm],
        [toMm, highMm],
        [fromMm, highMm],
      ],
      true,
    );
  const words = (atX: number, atY: number, text: string): DrawnShape => ({
    kind: 'text',
    role: 'label',
    x: n(atX),
    y: n(atY),
    text,
    size: 17,
    anchor: 'middle',
  });
  /** A length with its number, on a line of its own above or below the rim. */
  const measure = (fromMm: number, toMm: number, atY: number, text: string): DrawnShape[] => [
    {
      kind: 'path',
      role: 'ink',
      d: `M${x(fromMm)} ${atY - 5}V${atY + 5}M${x(fromMm)} ${atY}H${x(toMm)}M${x(toMm)} ${atY - 5}V${atY + 5}`,
      filled: false,
    },
    words((x(fromMm) + x(toMm)) / 2, atY - 7, text),
  ];

  const thick = 7;
  const seatTo = edge + USUAL.seatMm;
  const isRing = rim.build === 'beadlock';
  const bundleOf = (side: BeadSide): number =>
    Math.min(mean(beads[side]?.bundleMm) ?? USUAL.bundleMm, (wide - 2 * edge) / 4);
  const [innerMm, outerMm] = [bundleOf('inner'), bundleOf('outer')];
  const highMm = Math.min(USUAL.bundleMm, (wide - 2 * edge) / 4);
  const shapes: DrawnShape[] = [
    // The barrel: seat, well, seat.
    path(
      'rim',
      [
        [edge, seat],
        [seatTo, seat],
        [wide * 0.4, well],
        [wide * 0.6, well],
        [wide - seatTo, seat],
        [wide - edge, seat],
        [wide - edge, seat - thick],
        [wide - seatTo, seat - thick],
        [wide * 0.6, well - thick],
        [wide * 0.4, well - thick],
        [seatTo, seat - thick],
        [edge, seat - thick],
      ],
      true,
    ),
    box(isRing && rim.rings === 2 ? 'lock' : 'rim', 0, edge, seat - thick, flange),
    box(isRing ? 'lock' : 'rim', wide - edge, wide, seat - thick, flange),
    box('rubber', edge, edge + innerMm, seat, seat + highMm),
    box('rubber', wide - edge - outerMm, wide - edge, seat, seat + highMm),
    // The mounting face, and the plate behind it.
    box('plate', back, Math.min(wide, back + thick), low, well - thick),
    path(
      'live',
      [
        [back, low],
        [back, well - thick],
      ],
      false,
    ),
    {
      kind: 'path',
      role: 'leader',
      d: `M${x(wide / 2)} ${MARGIN.top - 8}V${SECTION_FIELD.height - MARGIN.bottom + 8}`,
      filled: false,
    },
    ...measure(0, wide, 44, `${say(wide)} over all`),
    ...measure(0, back, SECTION_FIELD.height - 34, `backspace ${say(back)}`),
  ];
  const offset = back - wide / 2;
  if (Math.abs(offset) * scale > 6)
    shapes.push(
      ...measure(
        Math.min(back, wide / 2),
        Math.max(back, wide / 2),
        SECTION_FIELD.height - 8,
        `offset ${say(offset)}`,
      ),
    );
  for (const side of BEAD_SIDES) {
    const bundleMm = mean(beads[side]?.bundleMm);
    const gapMm = mean(beads[side]?.gapMm) ?? (side === 'outer' && isRing ? rim.ringGapMm : null);
    const said = [
      ...(bundleMm === null ? [] : [`bundle ${say(bundleMm)}`]),
      ...(gapMm === null ? [] : [`gap ${say(gapMm)}`]),
    ];
    // Beside its bead, away from the middle line.
    const atX = side === 'inner' ? x(0) : x(wide);
    if (said.length > 0)
      shapes.push(
        words(
          Math.min(Math.max(atX, WORDS_HALF), SECTION_FIELD.width - WORDS_HALF),
          Math.max(MARGIN.top - 14, y(Math.max(flange, seat + highMm)) - 6),
          said.join(', '),
        ),
      );
  }
  return shapes;
};
