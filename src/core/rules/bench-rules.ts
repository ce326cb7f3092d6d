import type { Rule } from './rule';

const confirm = 'Recalled, not looked up. Confirm with the shop.';
const mm = (key: string, says: string, group: string, value: number, basis: Rule['basis'], note: string, min: number, max: number): Rule => ({
  key, says, group, value, unit: 'mm', basis, note, min, max,
});

/** A disagreement among fitters: every choice is common practice. */
const way = (key: string, says: string, group: string, value: string, choices: readonly string[], note: string): Rule => ({
  key, says, group, value, unit: null, basis: 'practice', choices: [...choices], note,
});

/** Thresholds and schools of the hands-on stations. */
export const BENCH_RULES: readonly Rule[] = [
  way('tube.out', 'When the old tube comes out', 'Fitting', 'at once', ['at once', 'left in'], 'Both are common practice: out before the second bead, so that it cannot be pinched; or left in to save a step, and felt for first.'),
  way('tube.in', 'When the new tube goes in', 'Fitting', 'after the first bead', ['with the tire', 'after the first bead'], 'Both are common practice: inside the tire, so that nobody has to hunt for the valve hole; or fed in once the first bead is on.'),
  way('bead.break', 'How beads are broken', 'Fitting', 'hands and levers', ['hands and levers', 'shoe breaker', 'squeeze breaker'], 'All are common practice. A shoe sits close to the flange, not touching it.'),
  way('lever.tool', 'What takes the bead over the rim', 'Fitting', 'levers', ['levers', 'changer'], 'Both are common practice. On a changer a spoked wheel is held with a strap, never with a pin.'),
  way('disc.levers', 'Levers beside the brake disc', 'Fitting', 'never', ['never', 'with a pad'], 'Some hook levers under the disc: it warps. Forbidden unless the shop says otherwise, and then only padded.'),
  way('powder.where', 'Where the powder goes', 'Fitting', 'on the tube', ['on the tube', 'in the tire', 'both'], 'All are common practice: thin, all round, the rest shaken out.'),
  way('lock.firstBead', 'How the first bead passes the rim lock', 'Fitting', 'held in', ['held in', 'brought over'], 'Both are common practice: the lock held in, or the bead brought over it afterwards with a lever on each side.'),
  way('ring.order', 'Order of the ring bolts on a beadlock', 'Fitting', 'round and round', ['round and round', 'crossing'], 'Both are common practice. The maker’s manual wins, and a torque wrench finishes.'),
  way('tube.settle', 'Tube once the beads are seated', 'Seating', 'let slack', ['let slack', 'straight up'], 'Both are common practice: core out and slack so that it settles, then air again; or straight to riding pressure.'),
  { key: 'bench.breakMinutes', says: 'A pause longer than this is a break, not work', group: 'Bench', value: 30, unit: null, basis: 'memory', note: `${confirm} In minutes; breaks do not count in the shop’s usual times.`, min: 5, max: 240 },
  mm('bite.lengthMm', 'Bite of a lever', 'Fitting', 70, 'practice', 'Common practice: 2.5 to 3 in; 3 to 4 on big stiff tires.', 25, 130),
  { key: 'bite.handFittedDeg', says: 'Last bead: arc that goes over by hand before the levers', group: 'Fitting', value: 90, unit: 'deg', basis: 'memory', note: confirm, min: 0, max: 300 },
  mm('runout.spokedCheckMm', 'Spoked rim: runout to look at', 'Inspect', 1.5, 'memory', confirm, 0.1, 10),
  mm('runout.spokedStopMm', 'Spoked rim: runout that is too much', 'Inspect', 2.5, 'practice', 'Common practice: a tenth of an inch side to side is the outer limit on a steel spoked rim.', 0.2, 10),
  mm('runout.castCheckMm', 'Cast rim: runout to look at', 'Inspect', 0.5, 'memory', confirm, 0.1, 5),
  mm('runout.castStopMm', 'Cast rim: runout that is too much', 'Inspect', 1, 'memory', `${confirm} The maker’s limit wins.`, 0.1, 5),
  { key: 'true.mostTurns', says: 'Truing: most that a nipple is turned in one pass, in turns', group: 'Inspect', value: 0.5, unit: null, basis: 'memory', note: `${confirm} Small turns, then measure again.`, min: 0.125, max: 2 },
  { key: 'true.spreadPct', says: 'Truing: most that a pass may take a tension off its group', group: 'Inspect', value: 50, unit: 'pct', basis: 'memory', note: confirm, min: 5, max: 200 },
  { key: 'spoke.lowPct', says: 'Spoke: tension below its group that stands out', group: 'Inspect', value: 70, unit: 'pct', basis: 'memory', note: confirm, min: 30, max: 99 },
  { key: 'spoke.highPct', says: 'Spoke: tension above its group that stands out', group: 'Inspect', value: 140, unit: 'pct', basis: 'memory', note: confirm, min: 101, max: 300 },
];
