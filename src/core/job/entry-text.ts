import { chanceText, type Piece } from '../balance';
import { GROUND_WORDS, USE_WORDS } from '../pressure';
import { FINDINGS, INSPECTED_WORDS } from '../inspect';
import { SYMPTOM_WORDS } from '../procedure';
import { findRule } from '../rules';
import { PLACE_WORDS } from '../tires';
import { formatQuantity, mirrored, placeText, type Unit, type UnitPreferences } from '../units';
import { POSITION_WORDS } from '../wheels/wheel';
import type { Entry } from './entries';
import { STATION_WORDS } from './stations';

const SIDE_TEXT: Record<Piece['side'], string> = { near: '', far: ', far side', inner: ', inner face' };

/** One entry of the log as a sentence, in the fitter's units. `steps` gives the words of step ids. */
export const entryText = (entry: Entry, units: UnitPreferences, steps: ReadonlyMap<string, string>): string => {
  const q = (value: number, unit: Unit, digits?: number) => {
    const { text, label } = formatQuantity(value, unit, units, digits === undefined ? {} : { digits });
    return `${text} ${label}`;
  };
  const by = (device: string | null | undefined) => (device ? `, by ${device}` : '');
  const pieces = (list: readonly Piece[]) =>
    list.map((p) => `${q(p.massG, 'g')} at ${placeText(p.deg)}${SIDE_TEXT[p.side]}`).join('; ');
  switch (entry.kind) {
    case 'opened':
      return `Job opened: ${POSITION_WORDS[entry.data.wheel.position].toLowerCase()}, ${entry.data.machine.name}, ${entry.data.rider}`;
    case 'rules':
      return 'Rule values taken from the shop';
    case 'came-off': {
      const { marking, dateCode, treadMm, use } = entry.data;
      return `Comes off: ${[marking, dateCode && `date code ${dateCode}`, treadMm !== null && `tread ${q(treadMm, 'mm', 1)}${by(entry.data.treadBy)}`, USE_WORDS[use]].filter(Boolean).join(', ')}`;
    }
    case 'clearance':
      return `Room ${PLACE_WORDS[entry.data.place]}: ${q(entry.data.mm, 'mm')}, ${entry.data.load}`;
    case 'chosen': {
      const { marking, dateCode, tube, tubeLabel } = entry.data;
      return `Goes on: ${[marking, dateCode && `date code ${dateCode}`, tube ? `tube ${tubeLabel ?? 'not picked'}${entry.data.doubled ? ', doubled' : ''}` : 'tubeless'].filter(Boolean).join(', ')}`;
    }
    case 'runout': {
      const span = (key: 'lateralMm' | 'radialMm') => {
        const values = entry.data.readings.flatMap((r) => (r[key] === undefined ? [] : [r[key]]));
        return values.length > 0 ? q(Math.max(...values) - Math.min(...values), 'mm', 1) : null;
      };
      const [lateral, radial] = [span('lateralMm'), span('radialMm')];
      return `Runout: ${[lateral && `${lateral} side to side`, radial && `${radial} up and down`].filter(Boolean).join(', ') || 'no reading'}, at ${entry.data.readings.length} places${entry.data.device ? `, by ${entry.data.device}` : ''}`;
    }
    case 'photo':
      return ['Photograph', entry.data.part && INSPECTED_WORDS[entry.data.part].toLowerCase(), entry.data.says]
        .filter(Boolean)
        .join(': ');
    case 'rim-shape':
      return `Rim: ${q(entry.data.flangeMm, 'mm')} over the flange, ${q(entry.data.wellMm, 'mm')} in the well, ${q(entry.data.wellToFlangeMm, 'mm')} across`;
    case 'spoke-ring': {
      const dull = entry.data.spokes.filter((s) => s.sounds === 'dull').map((s) => s.spoke);
      return `Spokes rung: ${dull.length > 0 ? `dull ${dull.join(', ')}` : 'none dull'}`;
    }
    case 'trouble':
      return `Trouble: ${SYMPTOM_WORDS[entry.data.symptom].toLowerCase()}${entry.data.curedBy ? '' : ', not cured yet'}`;
    case 'findings': {
      const { part, found } = entry.data;
      const seen = FINDINGS[part].filter((f) => found.includes(f.id)).map((f) => f.sees.toLowerCase());
      return `${INSPECTED_WORDS[part]}: ${seen.length > 0 ? seen.join(', ') : 'nothing found'}`;
    }
    case 'school':
      return `${findRule(entry.data.school).says}: ${entry.data.value}, for this job`;
    case 'load':
      return `Load: rider ${q(entry.data.riderKg, 'kg')}, passenger ${q(entry.data.passengerKg, 'kg')}, luggage ${q(entry.data.luggageKg, 'kg')}`;
    case 'step':
      return `Done: ${steps.get(entry.data.stepId) ?? entry.data.stepId}`;
    case 'note':
      return `Note: ${entry.data.text}`;
    case 'seat-reading':
      return `Pressure ${q(entry.data.gaugeKpa, 'kPa')}${by(entry.data.device)}`;
    case 'pop':
      return `A bead popped at ${q(entry.data.gaugeKpa, 'kPa')}${by(entry.data.device)}`;
    case 'molded-line':
      return `Molded line ${entry.data.even ? 'even' : 'low'} at ${placeText(entry.data.side === 'disc' ? entry.data.deg : mirrored(entry.data.deg))}, ${entry.data.side} side`;
    case 'seat-ceiling':
      return `Seating ceiling raised to ${q(entry.data.ceilingKpa, 'kPa')} by ${entry.data.by}: ${entry.data.why}`;
    case 'ground':
      return `Ground: ${GROUND_WORDS[entry.data.ground]}`;
    case 'seat-again':
      return `All air out, seated again from the start: ${entry.data.why}`;
    case 'seated':
      return `${entry.data.side === 'disc' ? 'Disc side' : 'Other side'}: ${entry.data.seated ? 'seated' : 'not seated'}`;
    case 'pressure-set': {
      const { gaugeKpa, shopC, rideC, rideKpa, shopM = 0, rideM = 0, gauge, second } = entry.data;
      const up = (m: number) => (shopM !== rideM ? `, ${q(m, 'm')} up` : '');
      return `Set to ${q(gaugeKpa, 'kPa')}${by(gauge)} at ${q(shopC, 'C')}${up(shopM)}, for ${q(rideKpa, 'kPa')} at ${q(rideC, 'C')}${up(rideM)}${second ? `; ${second.gauge} read ${q(second.gaugeKpa, 'kPa')}` : ''}`;
    }
    case 'rest':
      return `Settles at ${placeText(entry.data.restDeg)}${entry.data.from ? `, let go from the ${entry.data.from}` : ''}${by(entry.data.device)}`;
    case 'balance-hint':
      return `Last time, ${entry.data.onDate}, it was heavy by ${q(entry.data.massG, 'g')} at ${placeText(entry.data.deg)}: a hint`;
    case 'trial':
      return entry.data.pieces.length === 0
        ? 'All weights off'
        : `Taped on to learn from: ${pieces(entry.data.pieces)}`;
    case 'level-test':
      return `${placeText(entry.data.deg)} held level: ${entry.data.moved}`;
    case 'swing':
      return `One swing there and back takes ${entry.data.periodS} s`;
    case 'machine-reading':
      return `The machine says ${q(entry.data.massG, 'g')} heavy at ${placeText(entry.data.deg)}`;
    case 'balanced':
      return `Balanced: ${q(entry.data.leftG, 'g')} left of ${q(entry.data.heavyMassG, 'g')}, within the limit in ${chanceText(entry.data.chance)}`;
    case 'balance-again':
      return `Balancing begins anew: ${entry.data.why}`;
    case 'trial-rest':
      return `With ${q(entry.data.trialMassG, 'g')} at ${placeText(entry.data.trialDeg)} settles at ${placeText(entry.data.restDeg)}`;
    case 'weights':
      return entry.data.pieces.length === 0 ? 'No weights needed' : `Weights on: ${pieces(entry.data.pieces)}`;
    case 'level-check':
      return `Held at ${entry.data.clock} o\u2019clock: ${entry.data.moved}`;
    case 'torqued': {
      const { fastener, how, torqueNm, wrench } = entry.data;
      const value = torqueNm !== null ? ` ${q(torqueNm, 'Nm')}` : '';
      return `${fastener}: ${how}${value}${wrench ? `, ${wrench}` : ''}${entry.data.device ? ', as the wrench said' : ''}`;
    }
    case 'recheck':
      return `Look again on ${entry.data.onDate}: ${entry.data.what}`;
    case 'handed-over':
      return `Handed over to ${entry.data.to}`;
    case 'undo':
      return `Undone in ${STATION_WORDS[entry.station]}`;
  }
};
