import { inspectionOf, INSPECTED, INSPECTED_WORDS } from '../../bench/inspect';
import {
  alignOf,
  chainOf,
  dialMarks,
  drawnDriveOf,
  drawnWheelAt,
  recheckDates,
  readyOf,
  stringOf,
  type JobState,
} from '../../job';
import { LOOK_WHY } from '../../job/recheck';
import {
  quantityText,
  placeText,
  sayIn,
  type Unit,
  type UnitPreferences,
  dateText,
} from '../../base/units';
import type { VisitState } from '../../shop/visit';
import { POSITION_WORDS } from '../../fit/wheels';
import { type DialMark, type DrawnDrive, type DrawnWheel } from '../../fit/drawing';
import type { Reason } from '../../base/working';

/** A photograph with the words for who cannot see it. */
export interface PaperPhoto {
  photoId: string;
  says: string;
}

/** One wheel as its rider reads it. */
export interface PaperWheel {
  jobId: string;
  title: string;
  /** The work done, with what: a word and what it holds. */
  rows: [label: string, value: string][];
  /** The findings, and what to do about them. */
  found: string[];
  /** The declined recommendations, with the name of who said so. */
  declined: string[];
  photos: PaperPhoto[];
  /** The dial: the wheel with its weights, seen from the disc side. */
  dial: { wheel: DrawnWheel; drive: DrawnDrive | undefined; marks: DialMark[]; says: string };
}

/** The sheet that a rider takes home: one for the whole visit. */
export interface RiderPaper {
  title: string;
  /** The rider, the shop, the day. */
  subtitle: string;
  wanted: string;
  wheels: PaperWheel[];
  ride: string | null;
  taught: string | null;
  lookAgain: { onDate: string; what: string; why: string }[];
  /** The wheels that left though the log does not prove all of it. */
  despite: string[];
  cautions: string[];
}

/** A wheel of the visit with its job. */
export interface PaperJob {
  jobId: string;
  state: JobState;
}

/** The cautions for a rider with every wheel. Common practice. */
const CAUTIONS = [
  'New tires are slippery: ride gently and upright at first, and brake early.',
  'Before every ride: pressure cold, brake firm, a look at both tires.',
  'If it pulls, shakes or hisses, or the lever goes soft: stop. Do not ride on.',
  'The machine’s manual and local codes come before this sheet.',
];

type Q = (value: number, unit: Unit, digits?: number) => string;

const known = (rows: [string, string | null | false | undefined][]): [string, string][] =>
  rows.filter((r): r is [string, string] => Boolean(r[1]));

const weightsText = (state: JobState, q: Q): string | null => {
  const pieces = state.balance.weights?.pieces;
  if (!pieces) return null;
  if (pieces.length === 0) return 'none needed';
  const byPlace = new Map<string, string[]>();
  for (const p of pieces)
    byPlace.set(placeText(p.deg), [...(byPlace.get(placeText(p.deg)) ?? []), q(p.massG, 'g')]);
  return [...byPlace].map(([place, masses]) => `${masses.join(' + ')} at ${place}`).join('; ');
};

const torqueText = (state: JobState, q: Q): string | null => {
  const all = Object.values(state.torqued);
  if (all.length === 0) return null;
  return all
    .map(
      ({ fastener, how, torqueNm }) =>
        `${fastener} ${how}${torqueNm === null ? '' : ` ${q(torqueNm, 'Nm')}`}`,
    )
    .join('; ');
};

const rowsOf = (state: JobState, q: Q): [string, string][] => {
  const { cameOff, chosen, pressureSet, slack } = state;
  const tube = chosen && (chosen.tube ? `tube ${chosen.tubeLabel ?? ''}`.trim() : 'tubeless');
  const others = chosen?.parts
    .slice(1)
    .filter((p) => p.stockId === null || p.stockId !== chosen.tubeId);
  const extra = others?.map((p) => (p.count > 1 ? `${p.count} × ${p.what}` : p.what));
  const slackNow = slack.after ?? slack.before;
  return known([
    [
      'Came off',
      cameOff &&
        `${cameOff.marking}${cameOff.treadMm === null ? '' : `, ${q(cameOff.treadMm, 'tread')} of tread`}`,
    ],
    ['Went on', chosen && `${chosen.marking}, ${tube}`],
    ['Also fitted', extra && extra.length > 0 && extra.join('; ')],
    [
      'Riding pressure',
      pressureSet && `${q(pressureSet.rideKpa, 'kPa')}, cold, at ${q(pressureSet.rideC, 'C')}`,
    ],
    ['Weights', weightsText(state, q)],
    ['Tightened', torqueText(state, q)],
    ['Slack', slackNow && q(Math.min(...slackNow.placesMm), 'mm')],
    ['Old tire', state.handedOver?.oldTire],
  ]);
};

/**
 * The findings and measurements of its parts that are not as they should be, in the fitter's units.
 */
const foundOf = (state: JobState, units: UnitPreferences): string[] => {
  const chain = state.slack.after ?? state.slack.before;
  const reasons: Reason[] = [
    ...INSPECTED.flatMap((part) =>
      state.findings[part]
        ? inspectionOf(part).run({ found: state.findings[part] }).result.reasons
        : [],
    ),
    ...[
      chain && chainOf(chain),
      state.marks && alignOf(state, state.marks, chain),
      state.string && stringOf(state, state.string, chain),
    ].flatMap((f) => (f?.ok ? f.working.result.reasons : [])),
  ];
  return [
    ...reasons.filter((r) => r.verdict !== 'good').map((r) => sayIn(r, units)),
    ...state.notes.map((n) => n.text),
  ];
};

const photoSays = ({ part, says }: JobState['photos'][number]): string =>
  [part && INSPECTED_WORDS[part], says].filter(Boolean).join(': ') || 'Photo';

const wheelOf = ({ jobId, state }: PaperJob, q: Q, units: UnitPreferences): PaperWheel[] => {
  const { wheel } = state;
  if (!wheel) return [];
  const title = POSITION_WORDS[wheel.position];
  const weights = weightsText(state, q);
  return [
    {
      jobId,
      title,
      rows: rowsOf(state, q),
      found: foundOf(state, units),
      declined: state.declined.map(({ what, by }) => `${what} (${by})`),
      photos: state.photos.map((p) => ({ photoId: p.photoId, says: photoSays(p) })),
      dial: {
        wheel: drawnWheelAt(state, 'hand-over') ?? wheel,
        drive: drawnDriveOf(state),
        marks: dialMarks(state, 'hand-over', { say: (g) => q(g, 'g') }),
        says: `${title} from the disc side, valve at the top${weights && weights !== 'none needed' ? `; weights ${weights}` : ''}`,
      },
    },
  ];
};

const RIDE_WORDS = {
  ridden: 'Ridden',
  'not good': 'Ridden, problem found',
  refused: 'Not ridden: declined',
};

const rideText = (states: readonly JobState[], q: Q): string | null => {
  const ride = states.map((s) => s.ride).find((r) => r !== null);
  if (!ride) return null;
  const shakes = ride.shakesAtKmh !== null && `shakes at ${q(ride.shakesAtKmh, 'km/h')}`;
  return [`${RIDE_WORDS[ride.how]} by ${ride.by}`, shakes, ride.found].filter(Boolean).join('; ');
};

const taughtText = (states: readonly JobState[]): string | null => {
  const taught = states.map((s) => s.taught).find((t) => t !== null);
  return taught
    ? `${taught.done ? 'Recalibrated' : 'Not recalibrated'}${taught.found ? `: ${taught.found}` : ''}`
    : null;
};

const despiteOf = (state: JobState): string[] => {
  const { withdrawn, wheel } = state;
  if (withdrawn && wheel) {
    const points = withdrawn.points.map((p) => p.says.toLowerCase()).join('; ');
    return [
      `${POSITION_WORDS[wheel.position]}: not on record anymore: ${points}. Do not ride until it is released again.`,
    ];
  }
  const despite = state.handedOver?.despite;
  if (!despite || !state.wheel) return [];
  const missing = readyOf(state).result.missing.map((p) => `${p.says.toLowerCase()} (${p.by})`);
  const what = missing.length > 0 ? ` Not on record: ${missing.join('; ')}.` : '';
  return [
    `${POSITION_WORDS[state.wheel.position]}: released by ${despite.by} with open safety checks: ${despite.why}.${what}`,
  ];
};

/** Every date once: what two wheels ask for on one day stands as one line with both. */
const lookAgainOf = (jobs: readonly PaperJob[], today: string): RiderPaper['lookAgain'] => {
  const all = jobs.flatMap(({ state }) =>
    recheckDates(state, (state.handedOver?.at ?? today).slice(0, 10)).map((r) => ({
      ...r,
      wheel: state.wheel ? POSITION_WORDS[state.wheel.position].toLowerCase() : '',
    })),
  );
  const byKey = new Map<string, (typeof all)[number] & { wheels: string[] }>();
  for (const r of all) {
    const key = `${r.onDate} ${r.what}`;
    byKey.set(key, { ...r, wheels: [...(byKey.get(key)?.wheels ?? []), r.wheel] });
  }
  return [...byKey.values()]
    .sort((a, b) => a.onDate.localeCompare(b.onDate))
    .map(({ onDate, what, look, wheels }) => ({
      onDate,
      what: `${what} (${wheels.join(', ')})`,
      why: LOOK_WHY[look],
    }));
};

/** The rider's sheet of a visit, in the fitter's units. `today` YYYY-MM-DD. */
export const riderPaper = (
  visit: VisitState,
  jobs: readonly PaperJob[],
  { shopName, today, units }: { shopName: string; today: string; units: UnitPreferences },
): RiderPaper => {
  const q: Q = (value, unit, digits) =>
    quantityText(value, unit, units, digits === undefined ? {} : { digits });
  const states = jobs.map((j) => j.state);
  const day =
    visit.handedOver?.at ??
    states
      .map((s) => s.handedOver?.at ?? '')
      .sort()
      .at(-1);
  return {
    title: visit.machineName,
    subtitle: [visit.rider, shopName, dateText(day || today)].filter(Boolean).join(' · '),
    wanted: visit.wanted,
    wheels: jobs.flatMap((job) => wheelOf(job, q, units)),
    ride: rideText(states, q),
    taught: taughtText(states),
    lookAgain: lookAgainOf(jobs, today),
    despite: states.flatMap(despiteOf),
    cautions: CAUTIONS,
  };
};
