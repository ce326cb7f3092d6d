import type { Rule } from './rule';

const confirm = 'Recalled, not looked up. Confirm with the shop.';

const pct = (key: string, says: string, group: string, value: number, min: number, max: number, note = confirm): Rule => ({
  key, says, group, value, unit: 'pct', basis: 'memory', note, min, max,
});

/** Thresholds and schools of choosing a tire and what goes with it. */
export const CHOICE_RULES: readonly Rule[] = [
  pct('clearance.growthPct', 'Growth at speed and maker’s tolerance, of the tire’s height', 'Tires', 7, 0, 20),
  pct('clearance.widthGrowthPct', 'Maker’s tolerance, of the tire’s width', 'Tires', 4, 0, 20),
  pct('sensor.ratioChangePct', 'Front to rear ratio may change, with wheel-speed sensors', 'Tires', 2, 0.1, 10, 'Recalled. The manual decides whether it must be taught again.'),
  pct('speedo.readsLowPct', 'A larger tire may lower what the speedometer shows by', 'Tires', 3, 0, 10, 'Recalled: most read a few percent high to begin with. In many places they may not read low at all: defer to local codes.'),
  pct('load.marginPct', 'Room to keep under the tire’s greatest load', 'Load', 10, 0, 50),
  pct('load.riderRearPct', 'Of the rider, on the rear wheel', 'Load', 60, 0, 100),
  pct('load.passengerRearPct', 'Of the passenger, on the rear wheel', 'Load', 85, 0, 100),
  pct('load.luggageRearPct', 'Of the luggage, on the rear wheel', 'Load', 80, 0, 100),
  pct('tube.stretchLowPct', 'Tube: least stretch, below it folds', 'Tubes', 0, -20, 50),
  pct('tube.stretchHighPct', 'Tube: usual stretch at most', 'Tubes', 60, 10, 150),
  pct('tube.stretchStopPct', 'Tube: stretch that is too much', 'Tubes', 100, 20, 200),
  { key: 'tube.carcassMm', says: 'Thickness of a tire’s side', group: 'Tubes', value: 6, unit: 'mm', basis: 'memory', note: confirm, min: 1, max: 25 },
  { key: 'tube.crownMm', says: 'Thickness of a tire under the tread', group: 'Tubes', value: 10, unit: 'mm', basis: 'memory', note: confirm, min: 2, max: 40 },
  {
    key: 'tube.school', says: 'Tube with every tire', group: 'Tubes', value: 'new', unit: null, basis: 'practice', choices: ['new', 'reuse'],
    note: 'Both are common practice: a new one always, or the old one after a look at it.',
  },
  { key: 'tube.ageYears', says: 'Oldest tube to use again', group: 'Tubes', value: 3, unit: 'years', basis: 'memory', note: confirm, min: 0, max: 15 },
  { key: 'tube.patches', says: 'Patches that a tube to use again may have', group: 'Tubes', value: 1, unit: null, basis: 'memory', note: confirm, min: 0, max: 6, whole: true },
  { key: 'lock.motocross', says: 'Rim locks for motocross', group: 'Fitting', value: 1, unit: null, basis: 'practice', note: 'Common practice: one, sometimes two.', min: 0, max: 3, whole: true },
  { key: 'lock.widthIn', says: 'A rim lock may be narrower than the rim by', group: 'Fitting', value: 0.3, unit: 'in', basis: 'memory', note: confirm, min: 0, max: 1 },
  { key: 'strip.count', says: 'Rim strips in a spoked wheel', group: 'Fitting', value: 1, unit: null, basis: 'practice', note: 'Common practice: one; some run two.', min: 1, max: 2, whole: true },
  { key: 'valve.holeMm', says: 'Valve may differ from its hole by', group: 'Fitting', value: 0.5, unit: 'mm', basis: 'memory', note: confirm, min: 0, max: 3 },
  { key: 'valve.shortMm', says: 'Longest stem on a wheel of 12 inches or less', group: 'Fitting', value: 35, unit: 'mm', basis: 'memory', note: 'Common practice: a short stem. The length is recalled.', min: 15, max: 80 },
  {
    key: 'cost.currency', says: 'Prices are in', group: 'Costs', value: 'USD', unit: null, basis: 'shop rule',
    choices: ['USD', 'EUR', 'GBP', 'CAD', 'AUD', 'NZD', 'CHF', 'SEK', 'NOK', 'DKK', 'JPY', 'INR', 'BRL', 'ZAR'], note: 'Set the shop’s own.',
  },
  { key: 'cost.disposalMinor', says: 'Disposal fee for a tire, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'A fee applies in many places: set the shop’s own.', min: 0, max: 1_000_000, whole: true },
  { key: 'cost.taxPct', says: 'Tax rate', group: 'Costs', value: 0, unit: 'pct', basis: 'shop rule', note: 'On parts and fee, and on labor if the shop’s rule says so. Differs by place: set the shop’s own.', min: 0, max: 50 },
  { key: 'labour.by', says: 'Labour is charged by', group: 'Costs', value: 'the wheel', unit: null, basis: 'shop rule', choices: ['the wheel', 'the hour'], note: 'Set the shop’s own.' },
  { key: 'labour.hourMinor', says: 'An hour of work, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'Set the shop’s own.', min: 0, max: 10_000_000, whole: true },
  { key: 'labour.spokedMinor', says: 'A spoked wheel, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'Set the shop’s own.', min: 0, max: 10_000_000, whole: true },
  { key: 'labour.castMinor', says: 'A cast wheel, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'Set the shop’s own.', min: 0, max: 10_000_000, whole: true },
  { key: 'labour.splitMinor', says: 'A split rim, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'Set the shop’s own.', min: 0, max: 10_000_000, whole: true },
  { key: 'labour.beadlockMinor', says: 'A beadlock wheel, in the smallest coin', group: 'Costs', value: 0, unit: null, basis: 'shop rule', note: 'Set the shop’s own.', min: 0, max: 10_000_000, whole: true },
  { key: 'labour.taxed', says: 'Tax is taken on labour too', group: 'Costs', value: 'yes', unit: null, basis: 'shop rule', choices: ['yes', 'no'], note: 'Differs by place: set the shop’s own.' },
  { key: 'labour.beyondPct', says: 'Asked again where it costs more than was agreed by', group: 'Costs', value: 10, unit: 'pct', basis: 'memory', note: 'Recalled. Good shops ask before they go beyond what was agreed; the law of the place may say how far.', min: 0, max: 100 },
];
