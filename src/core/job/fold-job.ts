import type { Inspected } from '../inspect';
import { fittingRules, type RuleValues } from '../rules';
import type { BeadSide } from '../ring';
import { complete } from '../shop';
import type { Machine, Wheel } from '../wheels';
import { balanceAfter, isOfBalance, UNBALANCED, type BalanceLog } from './balance-log';
import { doneByReading } from './step-and-reading';
import { turnedOn, type Trued } from './truing-of';
import type { Entry, EntryData } from './entries';
import type { WithdrawnProof } from './withdrawn-proof';

/** A look at something that was to be looked at again: by whom, and when. */
export type LookedAgain = EntryData['looked-again'] & { at: string; who: string };

/** What a job amounts to. A pure function of the entries that stand. */
export interface JobState {
  machine: Machine | null;
  wheel: Wheel | null;
  rider: string;
  rules: RuleValues;
  cameOff: EntryData['came-off'] | null;
  odometerKm: number | null;
  clearances: EntryData['clearance'][];
  chosen: EntryData['chosen'] | null;
  load: EntryData['load'] | null;
  troubles: (EntryData['trouble'] & { station: Entry['station']; entryId: string })[];
  findings: Partial<Record<Inspected, string[]>>;
  photos: (EntryData['photo'] & { station: Entry['station']; entryId: string })[];
  rimShape: EntryData['rim-shape'] | null;
  runout: EntryData['runout'] | null;
  spokeRing: EntryData['spoke-ring'] | null;
  /** Nipples that were turned, and how the rim read before. */
  trued: Trued | null;
  /** Of a clamped wheel: its beads as measured last, every round of the feeler, bolts at their torque, the air. */
  beads: Partial<Record<BeadSide, EntryData['bead-measured']>>;
  ringGaps: EntryData['ring-gap'][];
  ringBolts: (EntryData['ring-bolt'] & { entryId: string })[];
  airOut: EntryData['air-out'] | null;
  tapes: (EntryData['taped'] & { at: string; entryId: string })[];
  /** Step id to who ticked it and when. */
  steps: Record<string, { who: string; at: string; entryId: string }>;
  notes: { text: string; station: Entry['station']; who: string; at: string; entryId: string }[];
  seatReadings: (EntryData['seat-reading'] & { at: string; entryId: string })[];
  /** Pops of the present try, and what was seen of its molded line. */
  pops: (EntryData['pop'] & { entryId: string })[];
  line: EntryData['molded-line'][];
  raised: EntryData['seat-ceiling'] | null;
  /** Tries that were ended, and from which reading on the present one counts. */
  seatTries: { ended: number; from: number };
  seated: { disc: boolean | null; other: boolean | null };
  ground: EntryData['ground']['ground'] | null;
  pressureSet: Required<EntryData['pressure-set']> | null;
  balance: BalanceLog;
  torqued: Record<string, EntryData['torqued']>;
  /** Fasteners that were gone over once more. */
  secondRound: string[];
  slack: { before: EntryData['slack'] | null; after: EntryData['slack'] | null };
  marks: EntryData['marks'] | null;
  string: EntryData['string'] | null;
  brake: EntryData['brake'] | null;
  sensorGap: EntryData['sensor-gap'] | null;
  discRunout: EntryData['disc-runout'] | null;
  ride: (EntryData['test-ride'] & { at: string; who: string }) | null;
  /** Advised, and not wanted. */
  declined: EntryData['declined'][];
  taught: (EntryData['taught'] & { at: string; who: string }) | null;
  rechecks: EntryData['recheck'][];
  /** What was looked at again, in the order of the log. */
  lookedAgain: LookedAgain[];
  handedOver: (Required<EntryData['handed-over']> & { at: string; who: string }) | null;
  /** Proof that was withdrawn since it was handed over; null while the release stands. */
  withdrawn: WithdrawnProof | null;
}

export const emptyJob = (): JobState => ({
  machine: null,
  wheel: null,
  rider: '',
  rules: {},
  cameOff: null,
  odometerKm: null,
  clearances: [],
  chosen: null,
  load: null,
  troubles: [],
  findings: {},
  photos: [],
  rimShape: null,
  runout: null,
  spokeRing: null,
  trued: null,
  beads: {},
  ringGaps: [],
  ringBolts: [],
  airOut: null,
  tapes: [],
  steps: {},
  notes: [],
  seatReadings: [],
  seatTries: { ended: 0, from: 0 },
  seated: { disc: null, other: null },
  pops: [],
  line: [],
  raised: null,
  ground: null,
  pressureSet: null,
  balance: UNBALANCED,
  torqued: {},
  secondRound: [],
  slack: { before: null, after: null },
  marks: null,
  string: null,
  brake: null,
  sensorGap: null,
  discRunout: null,
  ride: null,
  declined: [],
  taught: null,
  rechecks: [],
  lookedAgain: [],
  handedOver: null,
  withdrawn: null,
});

/**
 * The entries that stand, in the order they count: undone ones gone, a correction in the place of what it replaces.
 * An undo may itself be undone. Undoing an entry leaves the log as if it had never been written.
 */
export const effectiveEntries = (log: readonly Entry[]): Entry[] => {
  const undone = new Set<string>();
  for (let i = log.length - 1; i >= 0; i--) {
    const entry = log[i]!;
    if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.data.entryId);
  }
  const standing = log.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
  const present = new Set(standing.map((e) => e.id));
  const replaced = new Set<string>();
  const placeOf = new Map<string, number>();
  for (const entry of standing) {
    const target =
      entry.replaces !== undefined && present.has(entry.replaces) ? entry.replaces : undefined;
    if (target !== undefined) replaced.add(target);
    placeOf.set(entry.id, (target !== undefined ? placeOf.get(target) : undefined) ?? entry.seq);
  }
  return standing
    .filter((e) => !replaced.has(e.id))
    .sort((a, b) => placeOf.get(a.id)! - placeOf.get(b.id)! || a.seq - b.seq);
};

/** A machine as an earlier program may have written it. */
const machineOf = (machine: Machine): Machine => {
  const whole = complete('machines', machine);
  return {
    ...whole,
    fasteners: whole.fasteners.map((f) => ({
      ...f,
      socket: f.socket ?? null,
      renews: f.renews ?? 'nothing',
    })),
  };
};

/** What an entry of an earlier program does not say of its choice. */
const EARLIER_CHOICE = {
  tread: 'other',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  parts: [],
  doubled: false,
} as const;

const EARLIER_HAND_OVER = { despite: null, oldTire: null } as const;

const EARLIER_SET = { shopM: 0, rideM: 0, gauge: null, thermometer: null, second: null } as const;

/** The gap belongs to the wheel: it is written on it. */
const withGap = (wheel: Wheel | null, { side, gapMm }: EntryData['bead-measured']): Wheel | null =>
  wheel && side === 'outer' && gapMm.length > 0
    ? { ...wheel, ringGapMm: gapMm.reduce((a, b) => a + b, 0) / gapMm.length }
    : wheel;

/** Bolts and their torque belong to the wheel too. */
const withBolts = (wheel: Wheel | null, { bolts, torqueNm }: EntryData['ring-set']): Wheel | null =>
  wheel &&
  (wheel.build === 'split'
    ? { ...wheel, rimBolts: bolts, rimBoltTorqueNm: torqueNm }
    : { ...wheel, ringBolts: bolts, ringTorqueNm: torqueNm });

const apply = (state: JobState, entry: Entry): JobState => {
  if (isOfBalance(entry)) return { ...state, balance: balanceAfter(state.balance, entry) };
  switch (entry.kind) {
    case 'opened':
      return {
        ...state,
        rider: entry.data.rider,
        machine: machineOf(entry.data.machine),
        wheel: complete('wheels', entry.data.wheel),
      };
    case 'rules':
      return { ...state, rules: fittingRules(entry.data.values) };
    case 'came-off':
      return { ...state, cameOff: entry.data };
    case 'odometer':
      return { ...state, odometerKm: entry.data.km };
    case 'clearance':
      return {
        ...state,
        clearances: [...state.clearances.filter((c) => c.place !== entry.data.place), entry.data],
      };
    case 'chosen':
      return { ...state, chosen: { ...EARLIER_CHOICE, ...entry.data } };
    case 'trouble':
      return {
        ...state,
        troubles: [...state.troubles, { ...entry.data, station: entry.station, entryId: entry.id }],
        // A cause that was found and cured gives the tries anew.
        ...(entry.data.symptom === 'not-seating' && entry.data.curedBy !== null
          ? {
              seatTries: { ended: 0, from: state.seatReadings.length },
              seated: { disc: null, other: null },
            }
          : {}),
      };
    case 'findings':
      return { ...state, findings: { ...state.findings, [entry.data.part]: entry.data.found } };
    case 'photo':
      return {
        ...state,
        photos: [...state.photos, { ...entry.data, station: entry.station, entryId: entry.id }],
      };
    // It is the wheel's own, so the job's wheel has it from now on.
    case 'rim-shape':
      return {
        ...state,
        wheel: state.wheel && { ...state.wheel, ...entry.data },
        rimShape: entry.data,
      };
    case 'runout':
      return { ...state, runout: entry.data };
    case 'nipples-turned':
      return { ...state, runout: null, trued: turnedOn(state, entry.data) };
    case 'spoke-ring':
      return { ...state, spokeRing: entry.data };
    case 'bead-measured':
      return {
        ...state,
        beads: { ...state.beads, [entry.data.side]: entry.data },
        wheel: withGap(state.wheel, entry.data),
      };
    case 'ring-gap':
      return { ...state, ringGaps: [...state.ringGaps, entry.data] };
    case 'ring-set':
      return { ...state, wheel: withBolts(state.wheel, entry.data) };
    case 'ring-bolt':
      return { ...state, ringBolts: [...state.ringBolts, { ...entry.data, entryId: entry.id }] };
    case 'air-out':
      return { ...state, airOut: entry.data };
    case 'taped':
      return {
        ...state,
        tapes: [...state.tapes, { ...entry.data, at: entry.at, entryId: entry.id }],
      };
    case 'school':
      return {
        ...state,
        rules: { ...state.rules, ...fittingRules({ [entry.data.school]: entry.data.value }) },
      };
    case 'load':
      return { ...state, load: entry.data };
    case 'step':
      return {
        ...state,
        steps: {
          ...state.steps,
          [entry.data.stepId]: { who: entry.who, at: entry.at, entryId: entry.id },
        },
      };
    case 'steps': {
      const by = { who: entry.who, at: entry.at, entryId: entry.id };
      return {
        ...state,
        steps: { ...state.steps, ...Object.fromEntries(entry.data.stepIds.map((s) => [s, by])) },
      };
    }
    case 'note':
      return {
        ...state,
        notes: [
          ...state.notes,
          {
            text: entry.data.text,
            station: entry.station,
            who: entry.who,
            at: entry.at,
            entryId: entry.id,
          },
        ],
      };
    case 'seat-reading':
      return {
        ...state,
        seatReadings: [...state.seatReadings, { ...entry.data, at: entry.at, entryId: entry.id }],
      };
    case 'seat-again':
      return {
        ...state,
        seatTries: { ended: state.seatTries.ended + 1, from: state.seatReadings.length },
        seated: { disc: null, other: null },
        pops: [],
        line: [],
      };
    case 'seated':
      return { ...state, seated: { ...state.seated, [entry.data.side]: entry.data.seated } };
    case 'pop':
      return { ...state, pops: [...state.pops, { ...entry.data, entryId: entry.id }] };
    case 'molded-line': {
      const { side, deg } = entry.data;
      return {
        ...state,
        line: [...state.line.filter((p) => p.side !== side || p.deg !== deg), entry.data],
      };
    }
    case 'seat-ceiling':
      return { ...state, raised: entry.data };
    case 'ground':
      return { ...state, ground: entry.data.ground };
    case 'pressure-set':
      return { ...state, pressureSet: { ...EARLIER_SET, ...entry.data } };
    case 'torqued':
      return {
        ...state,
        torqued: { ...state.torqued, [entry.data.fastener]: entry.data },
        secondRound:
          entry.data.pass === 2
            ? [...new Set([...state.secondRound, entry.data.fastener])]
            : state.secondRound.filter((f) => f !== entry.data.fastener),
      };
    case 'slack':
      return { ...state, slack: { ...state.slack, [entry.data.when]: entry.data } };
    case 'marks':
      return { ...state, marks: entry.data };
    case 'string':
      return { ...state, string: entry.data };
    case 'brake':
      return { ...state, brake: entry.data };
    case 'sensor-gap':
      return { ...state, sensorGap: entry.data };
    case 'disc-runout':
      return { ...state, discRunout: entry.data };
    case 'test-ride':
      return { ...state, ride: { ...entry.data, at: entry.at, who: entry.who } };
    case 'declined':
      return {
        ...state,
        declined: [...state.declined.filter((d) => d.what !== entry.data.what), entry.data],
      };
    case 'taught':
      return { ...state, taught: { ...entry.data, at: entry.at, who: entry.who } };
    case 'recheck':
      return {
        ...state,
        rechecks: [...state.rechecks.filter((r) => r.what !== entry.data.what), entry.data],
      };
    case 'looked-again':
      return {
        ...state,
        lookedAgain: [...state.lookedAgain, { ...entry.data, at: entry.at, who: entry.who }],
      };
    case 'handed-over':
      return {
        ...state,
        handedOver: { ...EARLIER_HAND_OVER, ...entry.data, at: entry.at, who: entry.who },
      };
    case 'undo':
      return state;
  }
};

/** The state after an entry, the steps done that it does by what it says. */
export const withItsSteps = (state: JobState, entry: Entry): JobState => {
  const after = apply(state, entry);
  const stepIds = doneByReading(entry, after).filter((id) => !after.steps[id]);
  if (stepIds.length === 0) return after;
  const by = { who: entry.who, at: entry.at, entryId: entry.id };
  return {
    ...after,
    steps: { ...after.steps, ...Object.fromEntries(stepIds.map((id) => [id, by])) },
  };
};

/** What the standing entries of a log amount to, applied in order; whether a release still stands is `foldJob`'s. */
export const foldEntries = (log: readonly Entry[]): JobState =>
  effectiveEntries(log).reduce(withItsSteps, emptyJob());

/** The id of the newest standing entry of a kind, which a correction would replace; undefined when there is none. */
export const standingId = (log: readonly Entry[], kind: Entry['kind']): string | undefined =>
  effectiveEntries(log).findLast((e) => e.kind === kind)?.id;
