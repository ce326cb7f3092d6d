/**
 * Steps that belong to the machine: ticked at one wheel of a visit, they stand for its other
 * wheels. Common practice.
 */
export const MACHINE_STEPS: readonly string[] = [
  'off-cool',
  'off-way',
  'off-lift',
  'back-lower',
  'back-down',
];
