/** The signs a fitter sees when it will not go on. */
export const SYMPTOMS = [
  'bead-stuck',
  'bite-stuck',
  'keeper-lifts',
  'tube-showing',
  'valve-leans',
  'lock-stuck',
  'strip-caught',
  'not-seating',
  'wrong-way',
  'lever-slips',
  'ring-tilts',
  'bolt-spins',
  'bead-off-step',
  'ring-leaks',
  'tire-slips',
] as const;
export type Symptom = (typeof SYMPTOMS)[number];

export const SYMPTOM_WORDS: Record<Symptom, string> = {
  'bead-stuck': 'The bead will not break',
  'bite-stuck': 'The bite will not go',
  'keeper-lifts': 'The keeper lifts',
  'tube-showing': 'The tube is pinched or shows',
  'valve-leans': 'The valve leans',
  'lock-stuck': 'The lock will not drop in',
  'strip-caught': 'The strip is caught',
  'not-seating': 'A bead will not seat',
  'wrong-way': 'The tire is on the wrong way',
  'lever-slips': 'A lever slips',
  'ring-tilts': 'The ring tilts',
  'bolt-spins': 'A bolt spins',
  'bead-off-step': 'The bead is off the step',
  'ring-leaks': 'It leaks where it is clamped',
  'tire-slips': 'The tire creeps on the rim',
};
