import { balanceEstimate, balancePlace, type MassVector } from '../core/bench/balance';
import {
  balanceQuestion,
  fastenersOf,
  readyOf,
  partPicksOf,
  pressureStartOf,
  wantsOf,
  recheckDates,
  ringOf,
  ringsOf,
  seatLimitOf,
  stepsOf,
  STEP_STATIONS,
  type EntryBody,
  type EntryData,
  type EntryKind,
  type JobState,
  type StationId,
} from '../core/job';
import { advisedActs, hiddenStand } from '../core/practice';
import { pressureCorrect, type Use } from '../core/bench/pressure';
import { seeded } from '../core/base/statistics';
import { torqueWrench } from '../core/bench/torque';
import { DAY_MS, dayOf, normalDeg } from '../core/base/units';
import type { Wheel } from '../core/fit/wheels';
import type { JobStore } from '../server/db/job-store';
import {
  DEMO_LOCKS,
  DEMO_MACHINES,
  DEMO_PAIRS,
  DEMO_PEOPLE,
  DEMO_STRIPS,
  DEMO_TIRES,
  DEMO_TUBES,
  DEMO_VALVES,
  DEMO_WEIGHTS,
  DEMO_WHEELS,
  DEMO_WRENCHES,
} from './demo-shop';

const DEMO_SHELVES = {
  tubes: DEMO_TUBES,
  locks: DEMO_LOCKS,
  strips: DEMO_STRIPS,
  valves: DEMO_VALVES,
};

/** The dead band of the demo shop's stand, and the wheel on it: as the simulated stand has them. */
const DEMO_BAND_G = 2.5;
/** Its fitters make up the pieces finer than the limit. */
const FINER_G = 2.5;
const HEAVY_ON_THE_BENCH: MassVector = { massG: 43, deg: 206 };

const USE_OF: Record<string, Use> = { dirt: 'dirt', scooter: 'road' };
/** The notes a fitter might make of a bare wheel, each with the wheels that can have it. */
const NOTES: readonly { text: string; of: (wheel: Wheel) => boolean }[] = [
  { text: 'Corrosion at the valve hole, cleaned back to metal.', of: () => true },
  {
    text: 'Two spokes were dull, brought up to their neighbors.',
    of: ({ build }) => build === 'spoked',
  },
  { text: 'Rider reports a shake at speed before this change.', of: () => true },
  {
    text: 'Old strip was torn at a nipple. New one on.',
    of: ({ build, tube }) => build === 'spoked' && tube,
  },
  { text: 'Bearings smooth, seal lip greased.', of: () => true },
];

/**
 * Writes entries with the clock going on between them, as a fitter would, and keeps the log at
 * hand.
 */
const writer = (
  jobs: JobStore,
  jobId: string,
  who: string,
  startMs: number,
  random: () => number,
) => {
  let seq = jobs.find(jobId).lastSeq;
  let nowMs = startMs;
  let n = 0;
  const write = <K extends EntryKind>(station: StationId, kind: K, data: EntryData[K]): string => {
    const id = `${jobId}-e${++n}`;
    nowMs += (30 + Math.round(random() * 200)) * 1000;
    const body: EntryBody<K> = { id, who, station, kind, data };
    seq = jobs.append(jobId, seq, [body], { at: new Date(nowMs).toISOString() }).at(-1)!.seq;
    return id;
  };
  return { write, state: (): JobState => jobs.stateOf(jobId) };
};

const round = (v: number, to = 1) => Number((Math.round(v / to) * to).toFixed(2));

type Writer = ReturnType<typeof writer>['write'];

interface Plan {
  number: number;
  wheel: Wheel;
  startMs: number;
  /** The station to stop before, or in the midst of balancing; all of them when left out. */
  until?: StationId;
}

type Estimate = ReturnType<typeof balanceEstimate.run>['result'];

/** The present belief about the wheel. */
const believed = (state: () => JobState): Estimate => {
  const { seen, on, rules } = balanceQuestion(state(), [])!;
  return balanceEstimate.run({ seen, on, rules }).result;
};

/**
 * A wheel on the bench with a hidden heavy spot, as the advice says, left before its weights go on.
 */
const beginBalance = (write: Writer, state: () => JobState, heavy: MassVector): void => {
  const { seen: _seen, on: _on, prior: _prior, ...shelf } = balanceQuestion(state(), DEMO_WEIGHTS)!;
  for (const act of advisedActs(hiddenStand(heavy, DEMO_BAND_G), shelf)) {
    if (act.do === 'settle')
      write('balance', 'rest', { restDeg: act.restDeg, from: act.from, device: null });
    else if (act.do === 'level')
      write('balance', 'level-test', { deg: act.deg, at: act.at, moved: act.moved });
    else if (act.do === 'trial') write('balance', 'trial', { pieces: act.pieces });
    else return;
  }
};

/**
 * A wheel balanced on a simulated stand: rests from both sides, a trial a quarter turn on, the
 * weights, and a check of them.
 */
const balance = (
  write: Writer,
  state: () => JobState,
  heavy: MassVector,
  random: () => number,
): void => {
  const stand = hiddenStand(heavy, DEMO_BAND_G);
  const settle = () => {
    for (const from of ['left', 'right'] as const)
      write('balance', 'rest', {
        restDeg: round(stand.settle(state().balance.on, from)) % 360,
        from,
        device: null,
      });
  };
  settle();
  write('balance', 'trial', {
    pieces: [{ massG: 20, deg: round(normalDeg(heavy.deg + 90)) % 360, side: 'near' }],
  });
  settle();
  const { heavyMassG, heavyDeg } = believed(state);
  const { stock, positions, sides, rimMm, clearOf, rules } = balanceQuestion(
    state(),
    DEMO_WEIGHTS,
  )!;
  const { pieces, residualG } = balancePlace.run({
    counterMassG: heavyMassG,
    counterDeg: normalDeg(heavyDeg + 180),
    stock,
    positions,
    sides,
    rules,
    limitG: FINER_G,
    clearOf,
    ...(rimMm === undefined ? {} : { rimMm }),
  }).result;
  write('balance', 'weights', { pieces, residualG });
  settle();
  const deg = round(normalDeg(heavyDeg + 180)) % 360;
  write('balance', 'level-test', { deg, moved: stand.level(deg, state().balance.on) });
  // Now and then no one writes down that it is over.
  if (random() < 0.1) return;
  const { leftG, leftDeg, bandG, chance, ...now } = believed(state);
  write('balance', 'balanced', {
    heavyMassG: now.heavyMassG,
    heavyDeg: now.heavyDeg,
    leftG,
    leftDeg,
    bandG,
    chance,
  });
};

/**
 * Bundles and gap of every clamped bead, by the bench caliper; each a little different, as tires
 * are.
 */
const measureBeads = (write: Writer, state: JobState): void =>
  ringsOf(state).forEach((side, i) => {
    if (side === 'rim') return;
    const bundleMm = [19.86, 19.92, 19.8].map((mm) => round(mm + i * 0.11, 0.01));
    write('inspect', 'bead-measured', {
      side,
      bundleMm,
      gapMm: [17.1, 17.12, 17.08],
      device: null,
    });
  });

/** One past job with a log that its own workings wrote. */
const pastJob = (
  jobs: JobStore,
  { number, wheel, startMs, until }: Plan,
  random: () => number,
): void => {
  const machine = DEMO_MACHINES.find((m) => m.id === wheel.machineId)!;
  const who = DEMO_PEOPLE[Math.floor(random() * DEMO_PEOPLE.length)]!;
  const id = `demo-job-${number}`;
  jobs.open({ id, machineId: machine.id, wheelId: wheel.id, who }, new Date(startMs).toISOString());
  const { write, state } = writer(jobs, id, who, startMs, random);
  const off = (station: StationId) => until === station;
  const tickAll = (station: StationId) =>
    stepsOf(state(), station).forEach((step) => {
      // Before a bolt of a clamped wheel is touched the air is noted.
      if (step.wants === 'air-out' && !state().airOut)
        write(station, 'air-out', { silent: true, gaugeKpa: 0, coreOut: true, device: null });
      if (step.id.endsWith('-torque'))
        for (const { ring, pass, bolt } of ringOf(state())?.turns ?? [])
          write(station, 'ring-bolt', { ring, pass, bolt, torqueNm: null, device: null });
      write(station, 'step', { stepId: step.id });
    });
  const year = new Date(startMs).getUTCFullYear() % 100;

  const oldCode = `${String(1 + Math.floor(random() * 52)).padStart(2, '0')}${year - 2 - Math.floor(random() * 3)}`;
  const use = USE_OF[machine.kind] ?? 'road';
  write('intake', 'came-off', {
    marking: wheel.tireMarking,
    dateCode: oldCode,
    treadMm: round(0.8 + random() * 2.5, 0.1),
    use,
  });
  write('intake', 'clearance', {
    place: 'above',
    mm: round(18 + random() * 22),
    load: 'on the stand, unloaded',
  });
  if (off('choose')) return;
  const tire = DEMO_TIRES.find((t) => t.marking === wheel.tireMarking)!;
  const choice = {
    marking: tire.marking,
    tube: wheel.tube,
    tubeId: null,
    pressureKpa: null,
    tireId: tire.id,
  };
  const picks = partPicksOf(state(), choice, DEMO_SHELVES)!;
  const tubeId = picks.tubes?.bestId ?? null;
  write('choose', 'chosen', {
    marking: tire.marking,
    dateCode: `${String(1 + Math.floor(random() * 20)).padStart(2, '0')}${year}`,
    tireId: tire.id,
    tube: wheel.tube,
    tubeId,
    tubeLabel: DEMO_TUBES.find((t) => t.id === tubeId)?.label ?? null,
    lightMark: tire.lightMark,
    seatLimitKpa: tire.seatLimitKpa,
    tread: tire.tread,
    arrows: tire.arrows,
    takeOff: tire.takeOff,
    treadMm: tire.treadMm,
    doubled: false,
    parts: wantsOf(choice, picks, DEMO_SHELVES),
  });
  for (const station of STEP_STATIONS) {
    if (off(station)) return;
    if (station === 'inspect') measureBeads(write, state());
    tickAll(station);
    if (station === 'inspect' && random() < 0.4) {
      const notes = NOTES.filter((note) => note.of(wheel));
      write(station, 'note', { text: notes[Math.floor(random() * notes.length)]!.text });
    }
  }
  if (off('seat')) return;
  const { limitKpa } = seatLimitOf(state()).result;
  for (const part of [0.55, 0.8])
    write('seat', 'seat-reading', { gaugeKpa: round(limitKpa * part, 0.1) });
  write('seat', 'seated', { side: 'disc', seated: true });
  write('seat', 'seated', { side: 'other', seated: true });
  tickAll('seat');
  if (off('set')) return;
  const start = pressureStartOf(state());
  if (start.ok) {
    const rideKpa = start.working.result.pressureKpa;
    const [shopC, rideC] = [round(14 + random() * 8), round(4 + random() * 20)];
    const { gaugeKpa } = pressureCorrect.run({
      gaugeKpa: rideKpa,
      tempC: rideC,
      toTempC: shopC,
    }).result;
    write('set', 'pressure-set', { gaugeKpa: round(gaugeKpa, 0.1), shopC, rideC, rideKpa });
  }
  tickAll('set');
  const heavy = {
    massG: 15 + random() * 40,
    deg: normalDeg((wheel.rimLockDegs[0] ?? random() * 360) + (random() - 0.5) * 12),
  };
  if (off('balance')) return beginBalance(write, state, HEAVY_ON_THE_BENCH);
  balance(write, state, heavy, random);
  if (off('wheel-back')) return;
  putBack(write, state(), random);
  tickAll('wheel-back');
  if (off('hand-over')) return;
  handOver(write, state, { who, day: dayOf(startMs) }, random);
};

/** Slack, torque twice round, and the brake. */
const putBack = (write: Writer, state: JobState, random: () => number): void => {
  const { machine } = state;
  const asksSlack = stepsOf(state, 'wheel-back').some((step) => step.reads === 'chain');
  if (
    asksSlack &&
    machine &&
    machine.slackMinMm !== null &&
    machine.slackMaxMm !== null &&
    machine.chainRunMm !== null
  ) {
    const wanted = {
      wantMinMm: machine.slackMinMm,
      wantMaxMm: machine.slackMaxMm,
      runMm: machine.chainRunMm,
    };
    const measured = (when: 'before' | 'after', tightMm: number) =>
      write('wheel-back', 'slack', {
        when,
        placesMm: [tightMm, tightMm + round(random() * 2), tightMm + round(1 + random() * 2)],
        ...wanted,
        pitchMm: machine.adjusterPitchMm,
      });
    measured('before', round(machine.slackMaxMm + 4 + random() * 12));
    measured('after', round((machine.slackMinMm + machine.slackMaxMm) / 2 - 1));
  }
  // What no wrench of the shop covers is mostly done with the neighbor's.
  const borrowed = random() < 0.8 ? 'the neighbor’s click wrench' : null;
  const wrenches = DEMO_WRENCHES.map(({ name, minNm, maxNm }) => ({ name, minNm, maxNm }));
  for (const pass of [1, 2] as const)
    for (const { name, torqueNm } of fastenersOf(state)) {
      if (pass === 2 && torqueNm === null) continue;
      const choice = torqueNm === null ? null : torqueWrench.run({ torqueNm, wrenches }).result;
      write('wheel-back', 'torqued', {
        fastener: name,
        how: torqueNm === null ? 'snug' : (choice?.wrench ?? borrowed) ? 'torqued' : 'guess',
        torqueNm,
        wrench: choice ? (choice.wrench?.name ?? borrowed) : null,
        pass,
      });
    }
  write('wheel-back', 'brake', { firm: true, spin: 'free' });
};

const NO_WRENCH = 'no wrench here covers one of its bolts: the rider has it torqued on the way';

/** Ridden or refused, and handed over; by name and reason where a point is not proved. */
const handOver = (
  write: Writer,
  state: () => JobState,
  { who, day }: { who: string; day: string },
  random: () => number,
): void => {
  const to = state().rider;
  const isRidden = random() < 0.7;
  write('hand-over', 'test-ride', {
    how: isRidden ? 'ridden' : 'refused',
    by: isRidden ? who : to,
    shakesAtKmh: null,
    found: '',
  });
  for (const recheck of recheckDates(state(), day)) write('hand-over', 'recheck', recheck);
  const isProved = readyOf(state()).result.missing.length === 0;
  write('hand-over', 'handed-over', {
    to,
    despite: isProved ? null : { by: who, why: NO_WRENCH },
    oldTire: random() < 0.8 ? 'recycled' : 'given back',
  });
};

const PAST = 20;

/** Twenty finished jobs over the last season and four on the bench. `now` in ms. */
export const writePastJobs = (jobs: JobStore, now: number): void => {
  const random = seeded(20_261);
  for (let i = 0; i < PAST; i++) {
    const wheel = DEMO_WHEELS[(i * 5 + Math.floor(i / DEMO_WHEELS.length)) % DEMO_WHEELS.length]!;
    const morning = Math.floor((now - (PAST - i) * 9 * DAY_MS) / DAY_MS) * DAY_MS + 9 * 3_600_000;
    pastJob(
      jobs,
      { number: 1 + i, wheel, startMs: morning + Math.round(random() * 6) * 3_600_000 },
      random,
    );
  }
  const find = (id: string) => [...DEMO_WHEELS, ...DEMO_PAIRS].find((w) => w.id === id)!;
  pastJob(
    jobs,
    { number: PAST + 1, wheel: find('w-orrin-r'), startMs: now - 3 * 3_600_000, until: 'balance' },
    random,
  );
  pastJob(
    jobs,
    { number: PAST + 2, wheel: find('w-vellan-r'), startMs: now - 2 * 3_600_000, until: 'tire-on' },
    random,
  );
  pastJob(
    jobs,
    { number: PAST + 11, wheel: find('w-quill-lr'), startMs: now - 80 * 60_000, until: 'tire-on' },
    random,
  );
  pastJob(
    jobs,
    { number: PAST + 12, wheel: find('w-pim-r'), startMs: now - 50 * 60_000, until: 'tire-off' },
    random,
  );
};
