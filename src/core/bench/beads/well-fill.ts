import { oneOf, count, record } from '../../base/fields';
import { WALL_MM } from '../../fit/tubes/tube-double';
import type { Build } from '../../fit/wheels';
import { SILENT, type Show } from '../../base/working';

/** The contents of the well, between the bead and its bottom. */
export interface WellFill {
  tube: 'none' | 'one' | 'doubled';
  wall: keyof typeof WALL_MM;
  strips: number;
}

/** Thickness of a rim strip. Basis: memory. */
const STRIP_MM = 1;

/** The contents of the well, as a field of an input. */
export const WELL_FILL = record(
  {
    tube: oneOf(['none', 'one', 'doubled'], 'Tubes in the tire'),
    wall: oneOf(Object.keys(WALL_MM), 'Wall of the tube'),
    strips: count(0, 3, 'Rim strips'),
  },
  'What lies in the well',
);

/**
 * The contents of the well while the tire comes off or goes on: the tube that was in it, or the one
 * that goes in. The wall is the usual one unless another is given.
 */
export const fillWhile = (
  direction: 'off' | 'on',
  wheel: {
    tubeWas: boolean;
    tube: WellFill['tube'];
    build: Build;
    sealed: boolean;
    strips: number;
  },
): WellFill => ({
  tube: direction === 'on' ? wheel.tube : wheel.tubeWas ? 'one' : 'none',
  wall: 'standard',
  // Where no nipple is bare there is none.
  strips: wheel.build === 'spoked' && !wheel.sealed ? wheel.strips : 0,
});

/**
 * The depth that the contents take from the well, mm: a tube lies flat, with both its walls; a
 * sleeve round it is an old tube of the usual wall. Thicknesses: memory.
 */
export const wellFillMm = ({ tube, wall, strips }: WellFill, show: Show = SILENT): number => {
  const tubeMm =
    tube === 'none'
      ? 0
      : show.line('the tube, lying flat', `2 × ${WALL_MM[wall]}`, 2 * WALL_MM[wall], 'mm');
  const sleeveMm =
    tube === 'doubled'
      ? show.line('its sleeve', `2 × ${WALL_MM.standard}`, 2 * WALL_MM.standard, 'mm')
      : 0;
  const stripsMm =
    strips > 0 ? show.line('rim strip', `${strips} × ${STRIP_MM}`, strips * STRIP_MM, 'mm') : 0;
  return tubeMm + sleeveMm + stripsMm;
};
