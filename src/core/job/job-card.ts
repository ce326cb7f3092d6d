import { chanceText } from '../bench/balance';
import { SPIN_WORDS } from '../bench/brake';
import { BEAD_SIDES } from '../bench/ring';
import { tireAge } from '../fit/tires';
import { USE_WORDS } from '../bench/pressure';
import {
  quantityText,
  placeText,
  type Unit,
  type UnitPreferences,
  dateText,
  counted,
} from '../base/units';
import { BUILD_WORDS, KIND_WORDS, lockPlaces, POSITION_WORDS } from '../fit/wheels';
import { attempt } from '../base/working';
import { readyOf, stringOf } from './back-of';
import { testsOfNow } from './balance-log';
import type { JobState } from './job-state';
import { recheckDates, type Recheck } from './recheck-dates';
import { fastenersOf } from './fasteners-of';
import { ringOf } from './ring-of';
import { jobReport, openPoints } from './station-report';

/** The job card as print and PDF both show it. */
interface JobCard {
  title: string;
  subtitle: string;
  sections: { title: string; rows: [label: string, value: string][] }[];
  missing: string[];
  doubts: string[];
  rechecks: Recheck[];
  notes: string[];
  /**
   * Handed over though the log did not prove all: by whom, why, and what; null where it did, or is
   * not handed over.
   */
  despite: string | null;
}

type Quantity = (value: number, unit: Unit, digits?: number) => string;

const known = (rows: [string, string | null | false | undefined][]): [string, string][] =>
  rows.filter((r): r is [string, string] => Boolean(r[1]));

/** The side that a piece is on, if it is not the one that is up. */
const PIECE_SIDE_WORDS = { near: '', far: ' far side', inner: ' inner face' } as const;

/** Everything to keep of a job, in the fitter's units. `today` YYYY-MM-DD. */
export const jobCard = (state: JobState, today: string, units: UnitPreferences): JobCard => {
  const q: Quantity = (value, unit, digits) =>
    quantityText(value, unit, units, digits === undefined ? {} : { digits });
  const open = openPoints(jobReport(state, today));
  const { machine, wheel, cameOff, chosen, pressureSet, balance } = state;
  const { weights, balanced } = balance;
  const workDay = (state.handedOver?.at ?? today).slice(0, 10);
  const age = (dateCode: string | null) => {
    if (!dateCode) return 'not read';
    const a = attempt(tireAge, { dateCode, onDate: workDay, rules: state.rules });
    return a.ok
      ? `${dateCode}, week ${a.working.result.weekOf.week} of ${a.working.result.weekOf.year}`
      : dateCode;
  };
  const places = new Map<string, string[]>();
  for (const p of weights?.pieces ?? []) {
    const place = placeText(p.deg);
    places.set(place, [
      ...(places.get(place) ?? []),
      `${q(p.massG, 'g')}${PIECE_SIDE_WORDS[p.side]}`,
    ]);
  }
  const tests = testsOfNow(balance);
  const peak = Math.max(0, ...state.seatReadings.map((r) => r.gaugeKpa));
  const sections: JobCard['sections'] = [
    {
      title: 'Came off',
      rows: known([
        ['Tire', cameOff?.marking],
        ['Date code', cameOff && age(cameOff.dateCode)],
        ['Tread', cameOff?.treadMm != null && q(cameOff.treadMm, 'tread')],
        ['Odometer', state.odometerKm !== null && q(state.odometerKm, 'km')],
        ['Use', cameOff && USE_WORDS[cameOff.use]],
      ]),
    },
    {
      title: 'Went on',
      rows: known([
        ['Tire', chosen?.marking],
        ['Date code', chosen && age(chosen.dateCode)],
        ['Tube', chosen && (chosen.tube ? (chosen.tubeLabel ?? 'not picked') : 'tubeless')],
        [
          'Parts',
          chosen &&
            chosen.parts.length > 1 &&
            chosen.parts
              .slice(1)
              .map((p) => (p.count > 1 ? `${p.count} × ${p.what}` : p.what))
              .join('; '),
        ],
        ['Photos', state.photos.length > 0 && `${state.photos.length}, in the log`],
        ['Rim locks', wheel && lockPlaces(wheel)],
      ]),
    },
    { title: 'Beadlock', rows: clampedRows(state, q) },
    {
      title: 'Air',
      rows: known([
        ['Seated', `disc side ${word(state.seated.disc)}, other side ${word(state.seated.other)}`],
        ['Max while seating', peak > 0 && q(peak, 'kPa')],
        ['Set', pressureSet && `${q(pressureSet.gaugeKpa, 'kPa')} at ${q(pressureSet.shopC, 'C')}`],
        [
          'Riding pressure',
          pressureSet && `${q(pressureSet.rideKpa, 'kPa')} at ${q(pressureSet.rideC, 'C')}`,
        ],
      ]),
    },
    {
      title: 'Balance',
      rows: known([
        [
          'Imbalance before',
          balanced && `${q(balanced.heavyMassG, 'g')} at ${placeText(balanced.heavyDeg)}`,
        ],
        ...[...places].map(([place, masses]): [string, string] => [place, masses.join(' + ')]),
        ['Weights', weights && weights.pieces.length === 0 && 'none needed'],
        [
          'Imbalance left',
          balanced
            ? `${q(balanced.leftG, 'g')}, ${chanceText(balanced.chance)} sure it is within tolerance`
            : weights &&
              weights.residualG !== null &&
              `${q(weights.residualG, 'g')} by calculation`,
        ],
        ['Level test', tests.length > 0 && tests.map((t) => t.moved).join(', ')],
      ]),
    },
    {
      title: 'Torque',
      rows: fastenersOf(state).map((f): [string, string] => {
        const done = state.torqued[f.name];
        const value = f.torqueNm === null ? '' : `, ${q(f.torqueNm, 'Nm')}`;
        const twice = state.secondRound.includes(f.name) ? ', two passes' : '';
        const said =
          done &&
          [`${done.how}${value}${twice}`, done.wrench, done.thread].filter(Boolean).join(', ');
        return [f.name, said ?? `not recorded${value}`];
      }),
    },
    { title: 'Wheel on', rows: backRows(state, q) },
    { title: 'Final check', rows: leaveRows(state, q, open.missing.length) },
  ];
  return {
    title: wheel && machine ? `${POSITION_WORDS[wheel.position]}, ${machine.name}` : 'Job',
    subtitle: known([
      ['', state.rider],
      ['', machine && KIND_WORDS[machine.kind]],
      ['', wheel && `${BUILD_WORDS[wheel.build]}, rim ${wheel.rimCode}`],
    ])
      .map(([, v]) => v)
      .join(' · '),
    sections: sections.filter((s) => s.rows.length > 0),
    missing: open.missing,
    doubts: open.doubts,
    rechecks: recheckDates(state, workDay),
    notes: state.notes.map((n) => n.text),
    despite: despiteText(state),
  };
};

/** Less than this is nothing, to the decimal that is printed. */
const NO_MM = 0.05;

/** Slack, marks, sensor, disc and brake as they were measured. */
const backRows = (state: JobState, q: Quantity): [string, string][] => {
  const { slack, marks, string, sensorGap, discRunout, brake } = state;
  const straight = string && stringOf(state, string);
  const aside = straight?.ok ? straight.working.result.markDiffersMm : null;
  const tight = (s: typeof slack.before) => s && q(Math.min(...s.placesMm), 'mm');
  const [before, after] = [tight(slack.before), tight(slack.after)];
  const gaps = sensorGap?.readings.map((r) => r.gapMm) ?? [];
  const faces =
    discRunout?.readings.flatMap((r) => (r.lateralMm === undefined ? [] : [r.lateralMm])) ?? [];
  return known([
    ['Slack', before && after ? `${before} before, ${after} after` : (after ?? before)],
    ['Marks', marks && `left ${q(marks.leftMm, 'mm', 1)}, right ${q(marks.rightMm, 'mm', 1)}`],
    [
      'Alignment by string',
      aside !== null &&
        (Math.abs(aside) < NO_MM
          ? 'same on both sides'
          : `${q(Math.abs(aside), 'mm', 1)} further back on the ${aside > 0 ? 'left' : 'right'}`),
    ],
    [
      'Sensor gap',
      gaps.length > 0 && `${q(Math.min(...gaps), 'mm', 2)} to ${q(Math.max(...gaps), 'mm', 2)}`,
    ],
    ['Disc runout', faces.length > 0 && q(Math.max(...faces) - Math.min(...faces), 'mm', 2)],
    ['Brake', brake && `${brake.firm ? 'firm' : 'not firm'}, ${SPIN_WORDS[brake.spin]}`],
  ]);
};

const RIDE_WORDS = {
  ridden: 'ridden',
  'not good': 'ridden, problem found',
  refused: 'not ridden: declined',
} as const;

/**
 * The facts of its leaving: the ride, the recalibration, the points that are proved, the old tire.
 */
const leaveRows = (state: JobState, q: Quantity, missing: number): [string, string][] => {
  const { ride, taught, handedOver } = state;
  const { onRecord } = readyOf(state).result;
  const shakes = ride?.shakesAtKmh != null && `shakes at ${q(ride.shakesAtKmh, 'km/h')}`;
  return known([
    [
      'Test ride',
      ride &&
        [`${RIDE_WORDS[ride.how]} by ${ride.by}`, shakes, ride.found].filter(Boolean).join(', '),
    ],
    [
      'Recalibrated',
      taught && `${taught.done ? 'done' : 'not done'}${taught.found ? `, ${taught.found}` : ''}`,
    ],
    [
      'Safety checks',
      missing > 0
        ? `${onRecord}; ${counted(missing, 'other entry', 'other entries')} missing`
        : onRecord,
    ],
    ['Declined', state.declined.map((d) => d.what).join(' ')],
    ['Old tire', handedOver?.oldTire],
  ]);
};

/** The caution on the card of a wheel whose safety checks are not all on record. */
const despiteText = (state: JobState): string | null => {
  const { withdrawn } = state;
  if (withdrawn) {
    const points = withdrawn.points.map((p) => `${p.says.toLowerCase()} (${p.by})`).join('; ');
    return `Proof withdrawn by ${withdrawn.who} on ${dateText(withdrawn.at)}: ${points}. Do not ride. Check it and release it again.`;
  }
  const despite = state.handedOver?.despite;
  if (!despite) return null;
  const { missing } = readyOf(state).result;
  const what = missing.map((p) => `${p.says.toLowerCase()} (${p.by})`).join('; ');
  return `Release with open safety checks by ${despite.by}: ${despite.why}. Not on record: ${what || 'nothing missing now'}.`;
};

/** Mean of what was measured at several places. */
const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / all.length;

/**
 * Of a wheel that is held by bolts: how its beads are crushed, how far its bolts are, and what was
 * taped.
 */
const clampedRows = (state: JobState, q: Quantity): [string, string][] => {
  const ring = ringOf(state);
  const crushed = BEAD_SIDES.flatMap((side): [string, string][] => {
    const bead = state.beads[side];
    if (!bead) return [];
    return [[`Crush, ${side} bead`, q(mean(bead.bundleMm) - mean(bead.gapMm), 'mm', 2)]];
  });
  const tape = state.tapes.at(-1);
  return known([
    ...crushed,
    [
      'Bolts',
      ring &&
        `${ring.done} of ${ring.turns.length} turns${ring.wantedNm === null ? '' : `, ${q(ring.wantedNm, 'Nm')}`}`,
    ],
    ['Rollout', tape && `${q(tape.circumferenceMm, 'mm')} at ${q(tape.gaugeKpa, 'kPa')}`],
  ]);
};

const word = (seated: boolean | null) =>
  seated === null ? 'not checked' : seated ? 'seated' : 'not seated';
