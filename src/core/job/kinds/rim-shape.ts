import { quantity } from '../../base/fields';
import type { Wheel } from '../../fit/wheels';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/**
 * The bare rim: diameter over the flange, in the well, and from the well to the far flange along
 * the axle. The job’s wheel has it from then on.
 */
interface RimShapeData {
  flangeMm: number;
  wellMm: number;
  wellToFlangeMm: number;
}

export const rimShapeEntry = defineEntry<
  RimShapeData,
  { rimShape: RimShapeData | null },
  { wheel: Wheel | null }
>({
  ...WHEEL_WORK,
  schema: () => ({
    flangeMm: quantity('mm', 80, 750, 'Flange diameter'),
    wellMm: quantity('mm', 60, 700, 'Well diameter'),
    wellToFlangeMm: quantity('mm', 0, 400, 'From the well to the far flange'),
  }),
  text: ({ flangeMm, wellMm, wellToFlangeMm }, { q }) =>
    `Rim: flange ${q(flangeMm, 'mm')}, well ${q(wellMm, 'mm')}, across ${q(wellToFlangeMm, 'mm')}`,
  initial: { rimShape: null },
  apply: ({ wheel }, { data }) => ({ wheel: wheel && { ...wheel, ...data }, rimShape: data }),
});
