import { quantity } from '../../base/fields';

/** A bead, its rim and a bite, as fields of an input. */
export const beadFields = () => ({
  beadMm: quantity('mm', 80, 700, 'Diameter of the bead'),
  wellMm: quantity('mm', 60, 700, 'Diameter in the well'),
  flangeMm: quantity('mm', 80, 750, 'Diameter over the flange'),
  axialMm: quantity('mm', 0, 400, 'From the far side in the well to the flange, along the axle'),
  fillMm: quantity('mm', 0, 30, 'Thickness of what lies in the well').optional(),
  biteMm: quantity('mm', 10, 300, 'Length of a bite'),
});
