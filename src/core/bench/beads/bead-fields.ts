import { quantity } from '../../base/fields';

/** A bead, its rim and a bite, as fields of an input. */
export const beadFields = () => ({
  beadMm: quantity('mm', 80, 700, 'Bead diameter'),
  wellMm: quantity('mm', 60, 700, 'Well diameter'),
  flangeMm: quantity('mm', 80, 750, 'Flange diameter'),
  axialMm: quantity('mm', 0, 400, 'Well to far flange'),
  fillMm: quantity('mm', 0, 30, 'Stack in the well').optional(),
  biteMm: quantity('mm', 10, 300, 'Length of a bite'),
});
