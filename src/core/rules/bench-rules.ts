import type { Rule } from './rule';

const confirm = 'Recalled, not looked up. Confirm with the shop.';
const mm = (key: string, says: string, group: string, value: number, basis: Rule['basis'], note: string, min: number, max: number): Rule => ({
  key, says, group, value, unit: 'mm', basis, note, min, max,
});

/** Thresholds and schools of the hands-on stations. */
export const BENCH_RULES: readonly Rule[] = [
  {
    key: 'tube.out', says: 'When the old tube comes out', group: 'Fitting', value: 'at once', unit: null, basis: 'practice', choices: ['at once', 'left in'],
    note: 'Both are common practice: out before the second bead, so that it cannot be pinched; or left in to save a step, and felt for first.',
  },
  {
    key: 'tube.in', says: 'When the new tube goes in', group: 'Fitting', value: 'after the first bead', unit: null, basis: 'practice', choices: ['with the tire', 'after the first bead'],
    note: 'Both are common practice: inside the tire, so that nobody has to hunt for the valve hole; or fed in once the first bead is on.',
  },
  {
    key: 'bead.break', says: 'How beads are broken', group: 'Fitting', value: 'hands and levers', unit: null, basis: 'practice', choices: ['hands and levers', 'shoe breaker', 'squeeze breaker'],
    note: 'All are common practice. A shoe sits close to the flange, not touching it.',
  },
  {
    key: 'lever.tool', says: 'What takes the bead over the rim', group: 'Fitting', value: 'levers', unit: null, basis: 'practice', choices: ['levers', 'changer'],
    note: 'Both are common practice. On a changer a spoked wheel is held with a strap, never with a pin.',
  },
  {
    key: 'disc.levers', says: 'Levers beside the brake disc', group: 'Fitting', value: 'never', unit: null, basis: 'practice', choices: ['never', 'with a pad'],
    note: 'Some hook levers under the disc: it warps. Forbidden unless the shop says otherwise, and then only padded.',
  },
  {
    key: 'powder.where', says: 'Where the powder goes', group: 'Fitting', value: 'on the tube', unit: null, basis: 'practice', choices: ['on the tube', 'in the tire', 'both'],
    note: 'All are common practice: thin, all round, the rest shaken out.',
  },
  {
    key: 'lock.firstBead', says: 'How the first bead passes the rim lock', group: 'Fitting', value: 'held in', unit: null, basis: 'practice', choices: ['held in', 'brought over'],
    note: 'Both are common practice: the lock held in, or the bead brought over it afterwards with a lever on each side.',
  },
  {
    key: 'ring.order', says: 'Order of the ring bolts on a beadlock', group: 'Fitting', value: 'round and round', unit: null, basis: 'practice', choices: ['round and round', 'crossing'],
    note: 'Both are common practice. The maker\u2019s manual wins, and a torque wrench finishes.',
  },
  {
    key: 'tube.settle', says: 'Tube once the beads are seated', group: 'Seating', value: 'let slack', unit: null, basis: 'practice', choices: ['let slack', 'straight up'],
    note: 'Both are common practice: core out and slack so that it settles, then air again; or straight to riding pressure.',
  },
  { key: 'bench.breakMinutes', says: 'A pause longer than this is a break, not work', group: 'Bench', value: 30, unit: null, basis: 'memory', note: `${confirm} In minutes; breaks do not count in the shop\u2019s usual times.`, min: 5, max: 240 },
  mm('bite.lengthMm', 'Bite of a lever', 'Fitting', 70, 'practice', 'Common practice: 2.5 to 3 in; 3 to 4 on big stiff tires.', 25, 130),
  { key: 'bite.handFittedDeg', says: 'Last bead: arc that goes over by hand before the levers', group: 'Fitting', value: 90, unit: 'deg', basis: 'memory', note: confirm, min: 0, max: 300 },
  mm('bead.handMm', 'Bead slack for bare hands', 'Fitting', 2, 'memory', confirm, 0, 20),
  mm('bead.leversMm', 'Bead short of the flange, for levers', 'Fitting', 4, 'memory', `${confirm} Shorter than this with the far side down: something is wrong.`, 0, 20),
  mm('runout.spokedCheckMm', 'Spoked rim: runout to look at', 'Inspect', 1.5, 'memory', confirm, 0.1, 10),
  mm('runout.spokedStopMm', 'Spoked rim: runout that is too much', 'Inspect', 2.5, 'practice', 'Common practice: a tenth of an inch side to side is the outer limit on a steel spoked rim.', 0.2, 10),
  mm('runout.castCheckMm', 'Cast rim: runout to look at', 'Inspect', 0.5, 'memory', confirm, 0.1, 5),
  mm('runout.castStopMm', 'Cast rim: runout that is too much', 'Inspect', 1, 'memory', `${confirm} The maker\u2019s limit wins.`, 0.1, 5),
  { key: 'spoke.lowPct', says: 'Spoke: tension below its group that stands out', group: 'Inspect', value: 70, unit: 'pct', basis: 'memory', note: confirm, min: 30, max: 99 },
  { key: 'spoke.highPct', says: 'Spoke: tension above its group that stands out', group: 'Inspect', value: 140, unit: 'pct', basis: 'memory', note: confirm, min: 101, max: 300 },
];
