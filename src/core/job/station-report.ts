import { MIN_TESTS } from '../bench/balance';
import { pressureStart } from '../bench/pressure';
import { inspectionOf, INSPECTED } from '../bench/inspect';
import { SYMPTOM_WORDS } from './procedure';
import { ruleNumber } from '../base/rules';
import { clampsTimes, torqueCheck } from '../bench/torque';
import { tireAge } from '../fit/tires';
import { attempt } from '../base/working';
import { wheelEnd, type Fastener } from '../fit/wheels/wheel';
import { fastenersOf } from './fasteners-of';
import { backDoubts } from './back-of';
import { chosenFitOf } from './fitting-of';
import { testsOfNow } from './balance-log';
import type { JobState } from './job-state';
import { MACHINE_STATIONS, STATIONS, STATION_WORDS, type StationId } from '../base/stations';
import { clampedReport } from './ring-report';
import { seatLimitOf } from './seat-of';
import { stepsOf } from './steps-of';
import { runoutOf, spokeRingOf } from './truing-of';

/** The progress of one station, what is still missing, and what is doubtful. */
export interface StationReport {
  station: StationId;
  /** 0 empty to 1 done. */
  fill: number;
  missing: string[];
  doubts: string[];
}

type Findings = Pick<StationReport, 'fill' | 'missing' | 'doubts'>;

/** One thing a station wants: there or not, and what is said while it is not. */
type Want = readonly [there: boolean, missing: string];

const findings = (wants: readonly Want[], doubts: (string | false | null)[]): Findings => ({
  fill: wants.filter(([there]) => there).length / Math.max(1, wants.length),
  missing: wants.filter(([there]) => !there).map(([, missing]) => missing),
  doubts: doubts.filter((d): d is string => Boolean(d)),
});

/** The pressure to start from, or the problem that keeps it from being known. */
export const pressureStartOf = (state: JobState, askedKpa?: number) => {
  const placardKpa =
    state.machine && state.wheel
      ? wheelEnd(state.wheel.position) === 'front'
        ? state.machine.placardFrontKpa
        : state.machine.placardRearKpa
      : null;
  return attempt(pressureStart, {
    use: state.cameOff?.use ?? 'road',
    tire: state.chosen?.marking ?? state.wheel?.tireMarking ?? '',
    tube: state.chosen?.tube ?? state.wheel?.tube ?? false,
    rimLocks: state.wheel?.rimLockDegs.length ?? 0,
    rules: state.rules,
    doubled: state.chosen?.doubled ?? false,
    twoUp: (state.load?.passengerKg ?? 0) > 0,
    ...(placardKpa !== null ? { placardKpa } : {}),
    ...(state.ground ? { ground: state.ground } : {}),
    ...(state.machine ? { kind: state.machine.kind } : {}),
    ...(state.chosen && state.chosen.tread !== 'other'
      ? { softTread: state.chosen.tread === 'trials' || state.chosen.tread === 'soft' }
      : {}),
    ...(state.load && state.load.riderKg >= 20 ? { riderKg: state.load.riderKg } : {}),
    ...(askedKpa !== undefined ? { askedKpa } : {}),
  });
};

const ageDoubt = (
  dateCode: string | null | undefined,
  today: string,
  state: JobState,
  what: string,
): string | null => {
  if (!dateCode) return null;
  const age = attempt(tireAge, { dateCode, onDate: today, rules: state.rules });
  if (!age.ok) return `${what}: ${age.problem.message}`;
  const years = age.working.result.ageYears.toFixed(1);
  return age.working.result.verdict === 'good' ? null : `${what} is ${years} years old.`;
};

const intake = (state: JobState, today: string): Findings => {
  const off = state.cameOff;
  const worn =
    off?.use === 'road' &&
    off.treadMm !== null &&
    off.treadMm < ruleNumber('tread.minimumMm', state.rules);
  return findings(
    [[off !== null, 'old tire: size and use']],
    [
      worn && 'The old tire was below the road minimum.',
      ageDoubt(off?.dateCode, today, state, 'The old tire'),
    ],
  );
};

/** The topics left out for a size coming off: it is the present one. */
const SAID_AT_INTAKE = ['direction'];

const choose = (state: JobState, today: string): Findings => {
  const { chosen } = state;
  const reasons = chosenFitOf(state, today)?.reasons ?? [];
  const doubts: (string | false | null)[] = reasons
    .filter(
      (r) =>
        r.verdict !== 'good' &&
        !SAID_AT_INTAKE.includes(r.topic) &&
        !(r.topic === 'tread' && chosen?.tread === 'other'),
    )
    .map((r) => r.says);
  if (chosen)
    doubts.push(chosen.tube && chosen.tubeLabel === null && 'With a tube, but none picked.');
  return findings([[chosen !== null, 'the new tire']], doubts);
};

/** The measurements of the bare wheel that are not good. */
const inspected = (state: JobState): string[] => {
  const found = [
    state.runout && runoutOf(state, state.runout.readings),
    state.spokeRing && spokeRingOf(state, state.spokeRing.spokes),
  ];
  // What the old tube showed is no doubt once another one is picked.
  const parts = INSPECTED.filter((part) => part !== 'tube' || !state.chosen?.tubeLabel);
  const seen = parts.flatMap((part) =>
    state.findings[part]
      ? inspectionOf(part).run({ found: state.findings[part] }).result.reasons
      : [],
  );
  return [
    ...(state.trued && !state.runout ? ['Nipples were turned; measure the rim again.'] : []),
    ...seen.filter((r) => r.verdict !== 'good').map((r) => r.says),
    ...found.flatMap((f) =>
      f?.ok ? f.working.result.reasons.filter((r) => r.verdict !== 'good').map((r) => r.says) : [],
    ),
  ];
};

/** Troubles of a station that nothing has cured since. */
const uncured = (state: JobState, station: StationId): string[] =>
  state.troubles
    .filter(
      (t, i) =>
        t.station === station &&
        t.curedBy === null &&
        !state.troubles
          .slice(i + 1)
          .some((later) => later.symptom === t.symptom && later.curedBy !== null),
    )
    .map((t) => `${SYMPTOM_WORDS[t.symptom]}: not fixed.`);

const stepsStation = (state: JobState, station: StationId): Findings => {
  const steps = stepsOf(state, station);
  const open = steps.filter((s) => !state.steps[s.id]);
  const missing =
    open.length === 0
      ? []
      : open.length === steps.length
        ? ['no step checked off']
        : open.map((s) => s.say);
  const clamped = clampedReport(state, station);
  return {
    fill: steps.length === 0 ? 0 : 1 - open.length / steps.length,
    missing: [...missing, ...(open.length === steps.length ? [] : clamped.missing)],
    doubts: [
      ...(station === 'inspect' ? inspected(state) : []),
      ...clamped.doubts,
      ...uncured(state, station),
    ],
  };
};

/** The steps of a station that has more than steps, as one want. */
const stepsWant = (state: JobState, station: StationId): Want => {
  const open = stepsOf(state, station).filter((s) => !state.steps[s.id]);
  return [
    open.length === 0,
    open.length === 1 ? open[0]!.say : `${open.length} steps not checked off`,
  ];
};

const seat = (state: JobState): Findings => {
  const { limitKpa } = seatLimitOf(state).result;
  const over = state.seatReadings.some((r) => r.gaugeKpa > limitKpa + 0.01);
  return findings(
    [
      [state.seatReadings.length > 0, 'a pressure reading'],
      [state.seated.disc === true, 'seated on the disc side'],
      [state.seated.other === true, 'seated on the other side'],
      stepsWant(state, 'seat'),
    ],
    [
      over &&
        'A reading was above the seating limit: check tire and rim before it goes on the road.',
      state.seated.disc === false && 'Not seated on the disc side.',
      state.seated.other === false && 'Not seated on the other side.',
      state.chosen !== null &&
        state.chosen.seatLimitKpa === null &&
        'The sidewall’s seating limit was not read.',
    ],
  );
};

const set = (state: JobState): Findings => {
  const start = pressureStartOf(state);
  const at = state.pressureSet?.rideKpa;
  const off =
    at !== undefined &&
    start.ok &&
    (at < start.working.result.lowKpa * 0.97 || at > start.working.result.highKpa * 1.03);
  return findings(
    [
      [state.pressureSet !== null, 'the pressure set'],
      ...(state.wheel?.pair ? [[state.tapes.length > 0, 'the rollout by tape'] as const] : []),
      stepsWant(state, 'set'),
    ],
    [
      off && 'The pressure set is outside the starting range.',
      state.pressureSet !== null &&
        start.ok &&
        start.working.result.wantsRimLock &&
        'A tube at this pressure needs a rim lock.',
      at !== undefined &&
        start.ok &&
        at < start.working.result.leastKpa - 0.5 &&
        'The pressure set is too low for the tube and lock.',
    ],
  );
};

const balance = ({ balance: it, rules }: JobState): Findings => {
  const tests = testsOfNow(it);
  // A word alone balances nothing: what stands for it was seen with the weights that are on.
  const checked =
    tests.length >= MIN_TESTS || it.seen.some((o) => o.kind === 'machine' && o.weights === it.on);
  const leftG = it.balanced?.leftG ?? it.weights?.residualG ?? 0;
  return findings(
    [
      [it.seen.some((o) => o.kind === 'settle' || o.kind === 'machine'), 'a settle reading'],
      [it.weights !== null || it.balanced !== null, 'weights on'],
      [checked, 'the level test after the weights, twice'],
    ],
    [
      leftG > ruleNumber('balance.toleranceG', rules) &&
        `${Math.round(leftG)} g left over by calculation.`,
      it.balanced === null &&
        tests.some((t) => t.moved !== 'stays') &&
        'It did not stay still in the level test.',
      it.trial && 'A trial weight is still on, held only by tape.',
    ],
  );
};

/** The readings the chain still wants; none without a chain, or before its station has begun. */
const slackWant = (state: JobState): Want[] => {
  const isAsked = stepsOf(state, 'wheel-back').some((s) => s.reads === 'chain');
  return isAsked
    ? [[state.slack.after !== null || state.slack.before !== null, 'slack measured']]
    : [];
};

/** The doubts about a fastener. */
const fastenerDoubts = (state: JobState, { name, torqueNm }: Fastener): (string | false)[] => {
  const done = state.torqued[name];
  if (!done) return [];
  const isOff =
    Boolean(done.device) &&
    done.torqueNm !== null &&
    torqueNm !== null &&
    !torqueCheck.run({ wantedNm: torqueNm, reachedNm: done.torqueNm }).result.within;
  const times = done.thread ? clampsTimes(done.thread) : 1;
  return [
    isOff && `${name}: clicked at the wrong torque.`,
    done.how === 'guess' && `${name}: torque not verified.`,
    done.how === 'snug' && torqueNm !== null && `${name}: snug, but the manual gives a torque.`,
    times > 1 &&
      `${name}: ${done.thread} on the threads clamps ${times.toFixed(2)} times as hard as dry.`,
  ];
};

const wheelBack = (state: JobState): Findings => {
  const fasteners = fastenersOf(state);
  const isTwice = fasteners.every((f) => f.torqueNm === null || state.secondRound.includes(f.name));
  return findings(
    [
      ...(fasteners.length === 0
        ? [[false, 'the machine’s torque specs are unknown'] as const]
        : fasteners.map((f): Want => [state.torqued[f.name] !== undefined, f.name])),
      ...(fasteners.length > 0 ? [[isTwice, 'second torque pass'] as const] : []),
      ...slackWant(state),
      stepsWant(state, 'wheel-back'),
    ],
    [...fasteners.flatMap((f) => fastenerDoubts(state, f)), ...backDoubts(state)],
  );
};

/** The report of a station with nothing but steps. */
const steps =
  (station: StationId): Report =>
  (state) =>
    stepsStation(state, station);

type Report = (state: JobState, today: string) => Findings;

/** The wants and doubts of each station. */
const REPORTS: Record<StationId, Report> = {
  intake,
  choose,
  'wheel-off': steps('wheel-off'),
  'tire-off': steps('tire-off'),
  inspect: steps('inspect'),
  'tire-on': steps('tire-on'),
  seat,
  set,
  balance,
  'wheel-back': wheelBack,
  'hand-over': ({ handedOver, withdrawn }) =>
    findings(
      [[handedOver !== null && withdrawn === null, withdrawn ? 'released again' : 'handed over']],
      [],
    ),
};

/** The progress of a station. `today` YYYY-MM-DD, for ages. */
export const stationReport = (
  state: JobState,
  station: StationId,
  today: string,
): StationReport => ({
  station,
  ...(isElsewhere(state, station) ? findings([[true, '']], []) : REPORTS[station](state, today)),
});

/** A wheel that came in loose is neither taken off nor put back here. */
const isElsewhere = ({ machine }: JobState, station: StationId): boolean =>
  machine?.loose === true && MACHINE_STATIONS.includes(station);

/** Every station's report, in order. */
export const jobReport = (state: JobState, today: string): StationReport[] =>
  STATIONS.map((station) => stationReport(state, station, today));

/** The open points at hand-over of all stations before it: `Seat: a pressure reading`. */
export const openPoints = (
  reports: readonly StationReport[],
): { missing: string[]; doubts: string[] } => {
  const before = reports.filter((r) => r.station !== 'hand-over');
  const label = (r: StationReport, text: string) => `${STATION_WORDS[r.station]}: ${text}`;
  return {
    missing: before.flatMap((r) => r.missing.map((m) => label(r, m))),
    doubts: before.flatMap((r) => r.doubts.map((d) => label(r, d))),
  };
};
