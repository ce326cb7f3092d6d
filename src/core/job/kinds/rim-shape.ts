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
    flangeMm: quantity('mm', 80, 750, 'Over the flange'),
    wellMm: quantity('mm', 60, 700, 'In the well'),
    wellToFlangeMm: quantity('mm', 0, 400, 'From the well to the far flange'),
  }),
  text: ({ flangeMm, wellMm, wellToFlangeMm }, { q }) =>
    `Rim: over the flange ${q(flangeMm, 'mm')}, in the well ${q(wellMm, 'mm')}, across ${q(wellToFlangeMm, 'mm')}`,
  initial: { rimShape: null },
  apply: ({ wheel }, { data }) => ({ wheel: wheel && { ...wheel, ...data }, rimShape: data }),
});
