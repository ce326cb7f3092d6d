import type { Rule } from './rule';

const confirm = 'Recalled, not looked up. Confirm with the shop.';
const mm = (key: string, says: string, group: string, value: number, basis: Rule['basis'], note: string, min: number, max: number): Rule => ({
  key, says, group, value, unit: 'mm', basis, note, min, max,
});

/** Thresholds of the hands-on stations. */
export const BENCH_RULES: readonly Rule[] = [
  mm('bite.lengthMm', 'Bite of a lever', 'Fitting', 70, 'practice', 'Common practice: 2.5 to 3 in; 3 to 4 on big stiff tires.', 25, 130),
  mm('bead.handMm', 'Bead slack for bare hands', 'Fitting', 2, 'memory', confirm, 0, 20),
  mm('bead.leversMm', 'Bead short of the flange, for levers', 'Fitting', 4, 'memory', `${confirm} Shorter than this with the far side down: something is wrong.`, 0, 20),
  mm('runout.spokedCheckMm', 'Spoked rim: runout to look at', 'Inspect', 1.5, 'memory', confirm, 0.1, 10),
  mm('runout.spokedStopMm', 'Spoked rim: runout that is too much', 'Inspect', 2.5, 'practice', 'Common practice: a tenth of an inch side to side is the outer limit on a steel spoked rim.', 0.2, 10),
  mm('runout.castCheckMm', 'Cast rim: runout to look at', 'Inspect', 0.5, 'memory', confirm, 0.1, 5),
  mm('runout.castStopMm', 'Cast rim: runout that is too much', 'Inspect', 1, 'memory', `${confirm} The maker\u2019s limit wins.`, 0.1, 5),
  { key: 'spoke.lowPct', says: 'Spoke: tension below its group that stands out', group: 'Inspect', value: 70, unit: 'pct', basis: 'memory', note: confirm, min: 30, max: 99 },
  { key: 'spoke.highPct', says: 'Spoke: tension above its group that stands out', group: 'Inspect', value: 140, unit: 'pct', basis: 'memory', note: confirm, min: 101, max: 300 },
];
