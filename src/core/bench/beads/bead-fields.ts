import { quantity } from '../../base/fields';

/** A bead, its rim and a bite, as fields of an input. */
export const beadFields = () => ({
  beadMm: quantity('mm', 80, 700, 'Bead diameter'),
  wellMm: quantity('mm', 60, 700, 'Well diameter'),
  flangeMm: quantity('mm', 80, 750, 'Flange diameter'),
  axialMm: quantity('mm', 0, 400, 'From the well’s far side to the flange, along the axle'),
  fillMm: quantity('mm', 0, 30, 'Thickness of the stack in the well').optional(),
  biteMm: quantity('mm', 10, 300, 'Length of a bite'),
});
