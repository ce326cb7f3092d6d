import type { DialShape, Wheel } from '../wheels';

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
const MARGIN = { side: 46, top: 74, bottom: 64 };

/** What nobody measured is drawn by these shares of what was, and carries no number. Basis: memory. */
const USUAL = { flangeOverStepMm: 34, wellUnderStepMm: 40, ringMm: 12, seatMm: 26, bundleMm: 19 };

const n = (v: number): number => Math.round(v * 10) / 10;

/**
 * One half of a wheel cut through its axle, to scale, inner edge on the left: rim, rings, bead bundles, mounting face,
 * with the measured numbers where they are. `say` writes a length. Null where width or backspace was not measured.
 */
export const crossSection = (rim: Rim, say: (mm: number) => string): DialShape[] | null => {
  const { overallWidthMm: wide, backspaceMm: back } = rim;
  if (wide === null || back === null || back >= wide) return null;
  const stepMm = rim.stepMm ?? (rim.flangeMm === null ? null : rim.flangeMm - USUAL.flangeOverStepMm) ?? wide;
  const seat = stepMm / 2;
  const flange = Math.max(seat + 6, rim.flangeMm === null ? seat + USUAL.flangeOverStepMm / 2 : rim.flangeMm / 2);
  const well = Math.min(seat - 4, rim.wellMm === null ? seat - USUAL.wellUnderStepMm / 2 : rim.wellMm / 2);
  const edge = rim.innerWidthMm === null || rim.innerWidthMm >= wide ? USUAL.ringMm : (wide - rim.innerWidthMm) / 2;
  const low = well * 0.62;
  const scale = Math.min(
    (SECTION_FIELD.width - 2 * MARGIN.side) / wide,
    (SECTION_FIELD.height - MARGIN.top - MARGIN.bottom) / (flange - low),
  );
  const left = (SECTION_FIELD.width - wide * scale) / 2;
  const x = (mm: number): number => n(left + mm * scale);
  const y = (radiusMm: number): number => n(MARGIN.top + (flange - radiusMm) * scale);
  const path = (
    role: DialShape['role'],
    points: readonly (readonly [number, number])[],
    closed: boolean,
  ): DialShape => ({
    kind: 'path',
    role,
    d: `M${points.map(([mm, r]) => `${x(mm)} ${y(r)}`).join('L')}${closed ? 'Z' : ''}`,
    filled: closed,
  });
  const box = (role: DialShape['role'], fromMm: number, toMm: number, lowMm: number, highMm: number): DialShape =>
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
  const words = (atX: number, atY: number, text: string): DialShape => ({
    kind: 'text',
    role: 'label',
    x: n(atX),
    y: n(atY),
    text,
    size: 17,
    anchor: 'middle',
  });
  /** A length with its number, on a line of its own above or below the rim. */
  const measure = (fromMm: number, toMm: number, atY: number, text: string): DialShape[] => [
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
  const bundle = Math.min(USUAL.bundleMm, (wide - 2 * edge) / 4);
  const shapes: DialShape[] = [
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
    box('rubber', edge, edge + bundle, seat, seat + bundle),
    box('rubber', wide - edge - bundle, wide - edge, seat, seat + bundle),
    // The mounting face, and the plate behind it.
    box('spoke', back, Math.min(wide, back + thick), low, well - thick),
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
      ...measure(Math.min(back, wide / 2), Math.max(back, wide / 2), SECTION_FIELD.height - 8, `offset ${say(offset)}`),
    );
  if (rim.ringGapMm !== null && isRing) shapes.push(words(x(wide) - 40, y(flange) - 6, `gap ${say(rim.ringGapMm)}`));
  return shapes;
};
