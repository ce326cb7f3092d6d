import { chanceText, levelHour, type Piece } from '../balance';
import { SPIN_WORDS } from '../brake';
import { FINDINGS, INSPECTED_WORDS } from '../inspect';
import { GROUND_WORDS, USE_WORDS } from '../pressure';
import { SYMPTOM_WORDS } from '../procedure';
import { findRule } from '../rules';
import { STATION_WORDS } from '../stations';
import { PLACE_WORDS } from '../tires';
import { eighthsText } from '../truing';
import {
  counted,
  formatQuantity,
  mirrored,
  placeText,
  type Unit,
  type UnitPreferences,
} from '../units';
import { POSITION_WORDS } from '../wheels';
import type { Entry, EntryData, EntryKind, RingName } from './entries';

/** Rings in words. */
export const RING_WORDS: Record<RingName, string> = {
  inner: 'Inner ring',
  outer: 'Outer ring',
  rim: 'Rim bolts',
};

const SIDE_TEXT: Record<Piece['side'], string> = {
  near: '',
  far: ', far side',
  inner: ', inner face',
};

/** The fitter's words for what entries hold. */
interface Say {
  /** `38.0 psi` */
  q(value: number, unit: Unit, digits?: number): string;
  /** `, by hose gauge`; nothing where a reading was typed. */
  by(device: string | null | undefined): string;
  pieces(list: readonly Piece[]): string;
  /** The words of a step. */
  step(stepId: string): string;
}

/** Parts of a sentence that are there, one after the other. */
const listed = (parts: readonly (string | false | null | undefined)[], between = ', '): string =>
  parts.filter(Boolean).join(between);

/** How far the readings of one direction are apart; null where there are none. */
const spanOf = (
  readings: EntryData['runout']['readings'],
  key: 'lateralMm' | 'radialMm',
  { q }: Say,
  digits = 1,
): string | null => {
  const values = readings.flatMap((r) => (r[key] === undefined ? [] : [r[key]]));
  return values.length === 0 ? null : q(Math.max(...values) - Math.min(...values), 'mm', digits);
};

/** A sentence for each kind of entry but an undo, which speaks of the station it was written at. */
const SENTENCES: { [K in Exclude<EntryKind, 'undo'>]: (data: EntryData[K], say: Say) => string } = {
  opened: ({ wheel, machine, rider }) =>
    `Job opened: ${POSITION_WORDS[wheel.position].toLowerCase()}, ${machine.name}, ${rider}`,
  rules: () => 'Rule values taken from the shop',
  'came-off': ({ marking, dateCode, treadMm, use, treadBy }, { q, by }) => {
    const tread = treadMm !== null && `tread ${q(treadMm, 'mm', 1)}${by(treadBy)}`;
    return `Comes off: ${listed([marking, dateCode && `date code ${dateCode}`, tread, USE_WORDS[use]])}`;
  },
  clearance: ({ place, mm, load }, { q }) => `Room ${PLACE_WORDS[place]}: ${q(mm, 'mm')}, ${load}`,
  chosen: ({ marking, dateCode, tube, tubeLabel, doubled }) => {
    const inside = tube
      ? `tube ${tubeLabel ?? 'not picked'}${doubled ? ', doubled' : ''}`
      : 'tubeless';
    return `Goes on: ${listed([marking, dateCode && `date code ${dateCode}`, inside])}`;
  },
  school: ({ school, value }) => `${findRule(school).says}: ${value}, for this job`,
  load: ({ riderKg, passengerKg, luggageKg }, { q }) =>
    `Load: rider ${q(riderKg, 'kg')}, passenger ${q(passengerKg, 'kg')}, luggage ${q(luggageKg, 'kg')}`,
  step: ({ stepId, of }, { step }) =>
    `Done${of === undefined ? '' : ', at the other wheel'}: ${step(stepId)}`,
  steps: ({ stepIds, of }, { step }) =>
    `Done as shown${of === undefined ? '' : ', at the other wheel'}: ${stepIds.map(step).join(' ')}`,
  findings: ({ part, found }) => {
    const seen = FINDINGS[part]
      .filter((f) => found.includes(f.id))
      .map((f) => f.sees.toLowerCase());
    return `${INSPECTED_WORDS[part]}: ${listed(seen) || 'nothing found'}`;
  },
  photo: ({ part, says }) =>
    listed(['Photograph', part && INSPECTED_WORDS[part].toLowerCase(), says], ': '),
  trouble: ({ symptom, curedBy }) =>
    `Trouble: ${SYMPTOM_WORDS[symptom].toLowerCase()}${curedBy ? '' : ', not cured yet'}`,
  'rim-shape': ({ flangeMm, wellMm, wellToFlangeMm }, { q }) =>
    `Rim: over the flange ${q(flangeMm, 'mm')}, in the well ${q(wellMm, 'mm')}, across ${q(wellToFlangeMm, 'mm')}`,
  runout: ({ readings, device }, say) => {
    const lateral = spanOf(readings, 'lateralMm', say);
    const radial = spanOf(readings, 'radialMm', say);
    const spans = listed([lateral && `${lateral} side to side`, radial && `${radial} up and down`]);
    return `Runout: ${spans || 'no reading'}, at ${counted(readings.length, 'place')}${say.by(device)}`;
  },
  'spoke-ring': ({ spokes }) => {
    const dull = spokes.filter((s) => s.sounds === 'dull').map((s) => s.spoke);
    return `Spokes rung: ${dull.length > 0 ? `dull ${dull.join(', ')}` : 'none dull'}`;
  },
  'nipples-turned': ({ turned }) =>
    `Nipples turned: ${listed(turned.map((n) => `${n.spoke} ${n.eighths > 0 ? 'tighter' : 'looser'} by ${eighthsText(n.eighths)}`))}`,
  'bead-measured': ({ side, bundleMm, gapMm, device }, { q, by }) => {
    const span = (list: readonly number[]) => listed(list.map((mm) => q(mm, 'mm', 2)));
    return `${side === 'inner' ? 'Inner' : 'Outer'} bead: bundle ${span(bundleMm)}; gap ${span(gapMm)}${by(device)}`;
  },
  'ring-gap': ({ ring, when, readings }, { q }) => {
    const gaps = readings.map((r) => r.gapMm);
    return `${ring === 'inner' ? 'Inner' : 'Outer'} ring, ${when}: gap ${q(Math.min(...gaps), 'mm', 2)} to ${q(Math.max(...gaps), 'mm', 2)} at ${counted(gaps.length, 'place')}`;
  },
  'ring-set': ({ bolts, torqueNm }, { q }) =>
    `${counted(bolts, 'bolt')}, ${torqueNm === null ? 'torque by the maker not known' : `${q(torqueNm, 'Nm')} by the maker`}`,
  'ring-bolt': ({ ring, pass, bolt, torqueNm, device }, { q, by }) =>
    `${RING_WORDS[ring]}, ${pass === 1 ? 'first' : 'second'} pass: bolt ${bolt}${torqueNm === null ? '' : ` at ${q(torqueNm, 'Nm')}`}${by(device)}`,
  'air-out': ({ silent, gaugeKpa, coreOut, device }, { q, by }) =>
    `Air out: core ${coreOut ? 'out' : 'in'}, ${silent ? 'silent' : 'not silent'}, gauge ${gaugeKpa === null ? 'not read' : `${q(gaugeKpa, 'kPa')}${by(device)}`}`,
  taped: ({ run, circumferenceMm, gaugeKpa, device }, { q, by }) =>
    `Rollout ${run === 0 ? 'before the first run' : `after run ${run}`}: ${q(circumferenceMm, 'mm')} at ${q(gaugeKpa, 'kPa')}${by(device)}`,
  note: ({ text }) => `Note: ${text}`,
  'seat-reading': ({ gaugeKpa, device }, { q, by }) =>
    `Pressure ${q(gaugeKpa, 'kPa')}${by(device)}`,
  pop: ({ gaugeKpa, device }, { q, by }) => `A bead popped at ${q(gaugeKpa, 'kPa')}${by(device)}`,
  'molded-line': ({ side, deg, even }) =>
    `Molded line ${even ? 'even' : 'low'} at ${placeText(side === 'disc' ? deg : mirrored(deg))}, ${side} side`,
  'seat-ceiling': ({ ceilingKpa, by, why }, { q }) =>
    `Seating ceiling raised to ${q(ceilingKpa, 'kPa')} by ${by}: ${why}`,
  seated: ({ side, seated }) =>
    `${side === 'disc' ? 'Disc side' : 'Other side'}: ${seated ? 'seated' : 'not seated'}`,
  'seat-again': ({ why }) => `All air out, seated again from the start: ${why}`,
  ground: ({ ground }) => `Ground: ${GROUND_WORDS[ground]}`,
  'pressure-set': (
    { gaugeKpa, shopC, rideC, rideKpa, shopM = 0, rideM = 0, gauge, second },
    { q, by },
  ) => {
    const up = (m: number) => (shopM === rideM ? '' : `, ${q(m, 'm')} up`);
    const here = `Set to ${q(gaugeKpa, 'kPa')}${by(gauge)} at ${q(shopC, 'C')}${up(shopM)}`;
    const there = `for ${q(rideKpa, 'kPa')} at ${q(rideC, 'C')}${up(rideM)}`;
    return `${here}, ${there}${second ? `; ${second.gauge} read ${q(second.gaugeKpa, 'kPa')}` : ''}`;
  },
  'balance-hint': ({ massG, deg, onDate }, { q }) =>
    `Last time, ${onDate}, it was heavy by ${q(massG, 'g')} at ${placeText(deg)}: a hint`,
  rest: ({ restDeg, from, device, turned }, { by }) =>
    `Settles at ${placeText(restDeg)}${from ? `, let go from the ${from}` : ''}${turned ? ', turned around on the stand' : ''}${by(device)}`,
  trial: ({ pieces: list }, { pieces }) =>
    list.length === 0 ? 'All weights off' : `Taped on to learn from: ${pieces(list)}`,
  weights: ({ pieces: list }, { pieces }) =>
    list.length === 0 ? 'No weights needed' : `Weights on: ${pieces(list)}`,
  'level-test': ({ deg, moved, at }) =>
    `${placeText(deg)} held level${at ? ` at ${levelHour(at)}` : ''}: ${moved}`,
  swing: ({ periodS }) => `One swing there and back takes ${periodS} s`,
  'machine-reading': ({ massG, deg }, { q }) =>
    `The machine says ${q(massG, 'g')} heavy at ${placeText(deg)}`,
  balanced: ({ leftG, heavyMassG, chance }, { q }) =>
    `Balanced: ${q(leftG, 'g')} left of ${q(heavyMassG, 'g')}, within the limit in ${chanceText(chance)}`,
  'balance-again': ({ why }) => `Balancing begins anew: ${why}`,
  'trial-rest': ({ trialMassG, trialDeg, restDeg }, { q }) =>
    `With ${q(trialMassG, 'g')} at ${placeText(trialDeg)} settles at ${placeText(restDeg)}`,
  'level-check': ({ clock, moved }) => `Held at ${clock} o’clock: ${moved}`,
  torqued: ({ fastener, how, torqueNm, wrench, device, pass, thread, extensionMm }, { q }) => {
    const value = torqueNm === null ? '' : ` ${q(torqueNm, 'Nm')}`;
    const head = extensionMm ? `${q(extensionMm, 'mm')} head in line` : null;
    const more = listed([
      wrench,
      head,
      thread && `${thread} on the threads`,
      device && 'as the wrench said',
    ]);
    return `${fastener}: ${how}${value}${pass === 2 ? ', once more' : ''}${more ? `, ${more}` : ''}`;
  },
  slack: ({ when, placesMm, wantMinMm, wantMaxMm }, { q }) =>
    `Chain slack ${when} adjusting: ${placesMm.map((mm) => q(mm, 'mm')).join(', ')}; ${q(wantMinMm, 'mm')} to ${q(wantMaxMm, 'mm')} wanted`,
  marks: ({ leftMm, rightMm }, { q }) =>
    `Marks of the adjusters: left ${q(leftMm, 'mm', 1)}, right ${q(rightMm, 'mm', 1)}`,
  string: ({ gapsMm: { leftFront, leftRear, rightFront, rightRear } }, { q }) =>
    `String along both wheels: left ${q(leftFront, 'mm', 1)} and ${q(leftRear, 'mm', 1)}, right ${q(rightFront, 'mm', 1)} and ${q(rightRear, 'mm', 1)}`,
  brake: ({ firm, spin, pullN }, { q }) =>
    `Brake ${firm ? 'firm' : 'not firm'}; the wheel ${SPIN_WORDS[spin]}${pullN == null ? '' : `, ${q(pullN, 'N')} at the tread`}`,
  'sensor-gap': ({ readings }, { q }) => {
    const gaps = readings.map((r) => r.gapMm);
    return `Sensor gap ${q(Math.min(...gaps), 'mm', 2)} to ${q(Math.max(...gaps), 'mm', 2)} at ${counted(gaps.length, 'place')}`;
  },
  'disc-runout': ({ readings, device }, say) =>
    `Brake disc: runs out by ${spanOf(readings, 'lateralMm', say, 2) ?? 'no reading'}, at ${counted(readings.length, 'place')}${say.by(device)}`,
  'test-ride': ({ how, by, shakesAtKmh, found, of }, { q }) => {
    const what = {
      ridden: 'ridden',
      'not good': 'ridden, not as it should be',
      refused: 'refused',
    }[how];
    const shakes = shakesAtKmh !== null && `shakes at ${q(shakesAtKmh, 'km/h')}`;
    return `Test ride${of === undefined ? '' : ', written at the other wheel'}: ${what} by ${by}${shakes ? `, ${shakes}` : ''}${found ? `. ${found}` : ''}`;
  },
  declined: ({ what, by }) => `Advised, and declined by ${by}: ${what}`,
  odometer: ({ km, of }, { q }) =>
    `Odometer: ${q(km, 'km')}${of === undefined ? '' : ', written at the other wheel'}`,
  taught: ({ done, found }) =>
    `Taught the new wheel: ${done ? 'done' : 'not done'}${found ? `. ${found}` : ''}`,
  recheck: ({ what, onDate }) => `Look again on ${onDate}: ${what}`,
  'looked-again': ({ what, good, found, gaugeKpa, tempC, device }, { q, by }) => {
    const read =
      gaugeKpa === null
        ? ''
        : `, ${q(gaugeKpa, 'kPa')}${tempC === null ? '' : ` at ${q(tempC, 'C')}`}${by(device)}`;
    return `Looked at again: ${what}: ${good ? 'as it should be' : 'not as it should be'}${read}${found ? `. ${found}` : ''}`;
  },
  'handed-over': ({ to, despite, oldTire }) =>
    `Handed over to ${to}${oldTire ? `, old tire ${oldTire}` : ''}${despite ? `, all the same, by ${despite.by}: ${despite.why}` : ''}`,
};

const sayIn = (units: UnitPreferences, steps: ReadonlyMap<string, string>): Say => {
  const q: Say['q'] = (value, unit, digits) => {
    const { text, label } = formatQuantity(
      value,
      unit,
      units,
      digits === undefined ? {} : { digits },
    );
    return `${text} ${label}`;
  };
  return {
    q,
    by: (device) => (device ? `, by ${device}` : ''),
    pieces: (list) =>
      list.map((p) => `${q(p.massG, 'g')} at ${placeText(p.deg)}${SIDE_TEXT[p.side]}`).join('; '),
    step: (stepId) => steps.get(stepId) ?? stepId,
  };
};

/** One entry of the log as a sentence, in the fitter's units. `steps` gives the words of step ids. */
export const entryText = (
  entry: Entry,
  units: UnitPreferences,
  steps: ReadonlyMap<string, string>,
): string => {
  if (entry.kind === 'undo') return `Undone in ${STATION_WORDS[entry.station]}`;
  const sentence = SENTENCES[entry.kind] as (data: Entry['data'], say: Say) => string;
  return sentence(entry.data, sayIn(units, steps));
};
