/** The things to look at again, each with the readings that close it. */
export const LOOKS = [
  'pressure',
  'bolts',
  'leak',
  'tread',
  'tape',
  'age',
  'calibration',
  'anything',
] as const;
export type Look = (typeof LOOKS)[number];

/** Those that a job's log asks for and closes; the others follow from readings in a record. */
export const JOB_LOOKS = [
  'pressure',
  'bolts',
  'age',
  'anything',
] as const satisfies readonly Look[];
export type JobLook = (typeof JOB_LOOKS)[number];

/** The same in two words, for a label. */
export const LOOK_SHORT: Record<Look, string> = {
  pressure: 'Recheck pressure',
  bolts: 'Recheck bolts',
  leak: 'Recheck leak',
  tread: 'Recheck tread',
  tape: 'Recheck rollout',
  age: 'Recheck age',
  calibration: 'Calibrate',
  anything: 'Recheck',
};

/** Why it is looked at again, in the fitter's words. */
export const LOOK_WORDS: Record<Look, string> = {
  pressure: 'Pressure, cold',
  bolts: 'Torque and weights after the first ride',
  leak: 'Pressure, standing: is it a leak?',
  tread: 'Tread at minimum',
  tape: 'Tape after the run',
  age: 'Tire age',
  calibration: 'Calibration',
  anything: 'Recheck',
};

/** The sentence for the rider. Common practice. */
export const LOOK_WHY: Record<Look, string> = {
  pressure: 'a slow leak shows after a day',
  bolts: 'bolts and weights can loosen on the first ride',
  leak: 'a second reading tells a leak from the weather',
  tread: 'it reaches minimum tread about then',
  tape: 'tires grow until they have settled',
  age: 'rubber gets old whether it is ridden or not',
  calibration: 'gauges drift',
  anything: 'as agreed',
};

/** The look that an earlier program's words ask for: it did not say which readings. */
export const lookFrom = (what: string): JobLook =>
  what === 'Pressure, cold' ? 'pressure' : /torque and weights/i.test(what) ? 'bolts' : 'anything';
