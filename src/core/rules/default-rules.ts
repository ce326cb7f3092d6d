import { PSI_IN_KPA } from '../units/factors';
import { BACKUP_RULES } from './backup-rules';
import { PHOTO_RULES } from './photo-rules';
import { BENCH_RULES } from './bench-rules';
import { CHOICE_RULES } from './choice-rules';
import type { Rule } from './rule';
import { DAY_RULES } from './day-rules';
import { DOOR_RULES } from './door-rules';
import { LEAVE_RULES } from './leave-rules';
import { RING_RULES } from './ring-rules';
import { SIZE_RULES } from './size-rules';

const psi = (value: number): number => Math.round(value * PSI_IN_KPA * 100) / 100;

const pressure = (key: string, says: string, valuePsi: number, basis: Rule['basis'], note: string): Rule => ({
  key,
  says,
  group: 'Pressure',
  value: psi(valuePsi),
  unit: 'kPa',
  basis,
  note,
  min: psi(3),
  max: psi(60),
});

const shift = (key: string, says: string, valuePsi: number): Rule => ({
  key, says, group: 'Pressure', value: psi(valuePsi), unit: 'kPa', basis: 'memory', note: 'Recalled. Confirm with the shop.', min: psi(-6), max: psi(6),
});

/** The rules that ship with the program. Their basis says how far to trust them. */
export const DEFAULT_RULES: readonly Rule[] = [
  {
    key: 'seat.shopCeilingKpa', says: 'Shop ceiling while seating beads', group: 'Seating',
    value: psi(40), unit: 'kPa', basis: 'memory', min: psi(5), max: psi(50),
    note: 'Never above 50 psi. The sidewall and the rim win when they say less. Raising it takes a named person and a reason.',
  },
  {
    key: 'seat.tries', says: 'Seating tries before you stop and look', group: 'Seating',
    value: 3, unit: null, basis: 'shop rule', min: 1, max: 6, whole: true,
    note: 'After that: look for a wrong size, damage or a caught tube.',
  },
  {
    key: 'seat.nearPct', says: 'Near the limit while seating, of the limit', group: 'Seating',
    value: 95, unit: 'pct', basis: 'memory', min: 50, max: 100,
    note: 'Recalled. Not seated this near to the limit, the air comes out and the beads are lubricated again.',
  },
  {
    key: 'seat.beadlockKpa', says: 'Beadlock: to let the bead center', group: 'Seating',
    value: psi(12), unit: 'kPa', basis: 'practice', min: psi(3), max: psi(30),
    note: 'Common practice: 12 psi, then all out again. The ring holds one bead already.',
  },
  {
    key: 'seat.lowPressureKpa', says: 'Quad or side-by-side tire whose sidewall was not read', group: 'Seating',
    value: psi(20), unit: 'kPa', basis: 'memory', min: psi(3), max: psi(40),
    note: 'Recalled. These tires run low: their seating limit is printed on the sidewall, read it.',
  },
  {
    key: 'tire.ageCheckYears', says: 'Tire age to look twice at', group: 'Tires',
    value: 5, unit: 'years', basis: 'memory', min: 1, max: 20, note: 'Confirm with the shop.',
  },
  {
    key: 'tire.ageStopYears', says: 'Tire age not to fit any more', group: 'Tires',
    value: 10, unit: 'years', basis: 'memory', min: 1, max: 30, note: 'Confirm with the shop.',
  },
  {
    key: 'tread.minimumMm', says: 'Least tread on the road', group: 'Tires',
    value: 1.6, unit: 'mm', basis: 'memory', min: 0.5, max: 5,
    note: 'Differs by country: defer to local codes.',
  },
  {
    key: 'tread.soonKm', says: 'A tire with less than this left is to be renewed', group: 'Tires',
    value: 300, unit: 'km', basis: 'memory', min: 0, max: 5000, note: 'Recalled: a long day’s ride. Confirm with the shop.',
  },
  {
    key: 'clearance.leastMm', says: 'Least room around a tire', group: 'Tires',
    value: 10, unit: 'mm', basis: 'memory', min: 1, max: 50, note: 'A tire grows at speed. The manual may ask for more.',
  },
  {
    key: 'balance.toleranceG', says: 'Left over that counts as balanced', group: 'Balance',
    value: 5, unit: 'g', basis: 'practice', min: 0, max: 30, note: 'Common practice: 0 to 5 g left is balanced.',
  },
  {
    key: 'balance.massFactor', says: 'Weights may weigh so many times the least that balances, where fewer pieces do', group: 'Balance',
    value: 1.25, unit: null, basis: 'memory', min: 1, max: 3, note: 'Recalled. At 1 the lightest choice wins, however many pieces it takes.',
  },
  {
    key: 'balance.bandG', says: 'Dead band of the shop’s stand, 0 while it is not known', group: 'Balance',
    value: 0, unit: 'g', basis: 'shop rule', min: 0, max: 20, note: 'What the bearings hide, at the weight radius. Once it is known, beliefs are sharper and rightly so.',
  },
  {
    key: 'balance.indexG', says: 'More weight than this: think of turning the tire on the rim', group: 'Balance',
    value: 60, unit: 'g', basis: 'memory', min: 5, max: 300, note: 'Recalled. Confirm with the shop.',
  },
  {
    key: 'balance.leastShiftDeg', says: 'Least turn that a trial mass must cause', group: 'Balance',
    value: 5, unit: 'deg', basis: 'memory', min: 1, max: 45,
    note: 'Below this the bearing friction hides the answer.',
  },
  {
    key: 'balance.sides', says: 'Where weights go', group: 'Balance',
    value: 'both', unit: null, basis: 'practice', choices: ['both', 'one', 'inner'],
    note: 'Both: split over both sides of the rim. One: all on the side away from the caliper. Inner: all on the inner face, under tape.',
  },
  {
    key: 'balance.hintG', says: 'How far last time’s weights may be off for this time', group: 'Balance',
    value: 12, unit: 'g', basis: 'memory', min: 2, max: 60, note: 'Old positions are a hint. Recalled; confirm with the shop.',
  },
  {
    key: 'lightMark.to', says: 'What the light mark is set to', group: 'Fitting',
    value: 'valve', unit: null, basis: 'practice', choices: ['valve', 'heavy spot'],
    note: 'Both are common practice. The heavy spot of the bare wheel is often not the valve.',
  },
  {
    key: 'bite.start', says: 'Where the levers start', group: 'Fitting',
    value: 'lock nearest', unit: null, basis: 'practice', choices: ['lock nearest', 'a quarter away', 'opposite the valve', 'valve last', 'clear of the valve'],
    note: 'All are common practice, and all agree: the bead near valve and lock must be able to drop, the far side is in the well, and never a lever on the tube.',
  },
  {
    key: 'valveNut.school', says: 'How the valve nut is left', group: 'Fitting',
    value: 'against the cap', unit: null, basis: 'practice', choices: ['finger-tight', 'against the cap', 'tightened'],
    note: 'Against the cap, a creeping tube shows as a leaning stem instead of a torn one.',
  },
  pressure('pressure.motocrossKpa', 'Motocross, start', 12.5, 'practice', 'Common practice, within 11.5 to 15 psi.'),
  pressure('pressure.motocrossLowKpa', 'Motocross, least', 11.5, 'practice', 'Common practice.'),
  pressure('pressure.motocrossHighKpa', 'Motocross, most', 15, 'practice', 'Common practice.'),
  pressure('pressure.dirtKpa', 'General dirt, start', 13, 'practice', 'Common practice for a rear.'),
  pressure('pressure.trailKpa', 'Trail on a soft or trials-type tire, start', 8.5, 'practice', 'Common practice, 8 to 9 psi.'),
  pressure('pressure.trailLowKpa', 'Trail on a soft or trials-type tire, least', 8, 'practice', 'Common practice.'),
  pressure('pressure.trailHighKpa', 'Trail on a soft or trials-type tire, most', 9, 'practice', 'Common practice.'),
  pressure('pressure.storageKpa', 'Storage', 15.5, 'practice', 'Common practice, 15 to 16 psi.'),
  pressure('pressure.storageLowKpa', 'Storage, least', 15, 'practice', 'Common practice.'),
  pressure('pressure.storageHighKpa', 'Storage, most', 16, 'practice', 'Common practice.'),
  pressure('pressure.scooterFrontKpa', 'Scooter front, start', 27.5, 'practice', 'Common practice, 25 to 30 psi by taste.'),
  pressure('pressure.scooterFrontLowKpa', 'Scooter front, least', 25, 'practice', 'Common practice.'),
  pressure('pressure.scooterFrontHighKpa', 'Scooter front, most', 30, 'practice', 'Common practice.'),
  pressure('pressure.tubeLeastKpa', 'With a tube, never below', 8, 'memory', 'Recalled: the lowest that common practice runs off the road. Below it the tube is pinched.'),
  pressure('pressure.doubledLeastKpa', 'With a doubled tube, never below', 6, 'memory', 'Recalled. The sleeve stops pinches, not creep.'),
  shift('pressure.softGroundKpa', 'Sand or mud: more, or less below zero', -1),
  shift('pressure.rockKpa', 'Rock and roots: more', 1),
  shift('pressure.twoUpKpa', 'Two up off the road: more', 2),
  shift('pressure.doubledKpa', 'Doubled tube: more, or less below zero', -1),
  {
    key: 'pressure.riderKg', says: 'The rider that a starting pressure is made for, with gear', group: 'Pressure',
    value: 85, unit: 'kg', basis: 'memory', min: 30, max: 200, note: 'Recalled. Confirm with the shop.',
  },
  {
    key: 'pressure.perRiderKgKpa', says: 'More for each kilogram of rider beyond that', group: 'Pressure',
    value: 0.35, unit: 'kPa', basis: 'memory', min: 0, max: 3, note: 'Recalled: about half a psi for ten kilograms.',
  },
  pressure('pressure.lockBelowKpa', 'With a tube, a rim lock is wanted below', 15, 'memory', 'Confirm with the shop.'),
  {
    key: 'shop.altitudeM', says: 'How high the shop stands', group: 'Pressure',
    value: 0, unit: 'm', basis: 'shop rule', min: -500, max: 5000, note: 'A gauge reads against the outside air.',
  },
  {
    key: 'gauge.stepKpa', says: 'Finest step of the shop’s gauge', group: 'Pressure',
    value: psi(0.5), unit: 'kPa', basis: 'memory', min: 0.01, max: 20, note: 'Recalled: half a psi. Read it off your own gauge.',
  },
  {
    key: 'leak.tubePerDayKpa', says: 'A tube may lose in a day, standing', group: 'Pressure',
    value: 2, unit: 'kPa', basis: 'memory', min: 0.05, max: 20, note: 'Recalled: about 2 psi a week. Common practice: tubes lose a psi or more a week.',
  },
  {
    key: 'leak.tubelessPerDayKpa', says: 'A tubeless tire may lose in a day, standing', group: 'Pressure',
    value: 0.5, unit: 'kPa', basis: 'memory', min: 0.02, max: 20, note: 'Recalled: about half a psi a week. Confirm with the shop.',
  },
  {
    key: 'leak.checkDays', says: 'A standing tire is read again after', group: 'Pressure',
    value: 7, unit: 'days', basis: 'practice', min: 1, max: 60, note: 'Common practice: tubes lose a psi or more a week. Check before every ride.',
  },
  {
    key: 'recheck.pressureDays', says: 'Pressure again after', group: 'Recheck',
    value: 1, unit: 'days', basis: 'practice', min: 1, max: 14, note: 'Common practice: the next day.',
  },
  {
    key: 'recheck.boltsDays', says: 'Bolts, spokes and weights again within', group: 'Recheck',
    value: 7, unit: 'days', basis: 'memory', min: 1, max: 60,
    note: 'Common practice: after the first ride. The days are a default from memory.',
  },
  {
    key: 'recheck.tapeDays', says: 'A pair that has not settled is taped again after', group: 'Recheck',
    value: 7, unit: 'days', basis: 'memory', min: 1, max: 120,
    note: 'Common practice: after every run until it settles. The days to the next run are a default from memory.',
  },
  {
    key: 'recheck.calibrationDays', says: 'Instruments and wrenches are calibrated again after', group: 'Recheck',
    value: 365, unit: 'days', basis: 'memory', min: 30, max: 1500, note: 'Recalled: yearly. The maker’s manual decides.',
  },
  ...BENCH_RULES,
  ...CHOICE_RULES,
  ...RING_RULES,
  ...LEAVE_RULES,
  ...DAY_RULES,
  ...SIZE_RULES,
  ...BACKUP_RULES,
  ...PHOTO_RULES,
  ...DOOR_RULES,
];
