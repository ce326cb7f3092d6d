import { brakeDrag, discRunout } from '../bench/brake';
import { chainSlack, wheelAlign, wheelAlignString } from '../bench/drive';
import { readyToLeave, recalibration, sensorGap, type LeaveFacts } from './leave';
import { PROOF_STEPS } from './procedure';
import { ruleNumber } from '../base/rules';
import { onFourWheels, wheelEnd } from '../fit/wheels/wheel';
import { attempt, type Reason } from '../base/working';
import { brakeInput } from './kinds/brake';
import { sensorInput } from './kinds/sensor-gap';
import { slackInput } from './kinds/slack';
import { stringInput } from './kinds/string';
import type { EntryData } from './entries';
import { fastenersOf } from './fasteners-of';
import type { JobState } from './job-state';
import { ringOf } from './ring-of';
import { seatLimitOf } from './seat-of';
import { stepsOf } from './steps-of';

/** The measured chain; a problem if its figures contradict each other. */
export const chainOf = (slack: EntryData['slack']) => attempt(chainSlack, slackInput(slack));

/** The machine's part of measuring the slack. */
const chainSetup = (chain: EntryData['slack'] | null) => ({
  ...(chain ? { runMm: chain.runMm } : {}),
  ...(chain && chain.pitchMm !== null ? { pitchMm: chain.pitchMm } : {}),
});

/** Whether the wheel stands straight, by the marks. */
export const alignOf = (
  state: Pick<JobState, 'rules'>,
  marks: EntryData['marks'],
  chain: EntryData['slack'] | null = null,
) =>
  attempt(wheelAlign, {
    leftMark: marks.leftMm,
    rightMark: marks.rightMm,
    adjusterSpanMm: marks.spanMm,
    chainSide: marks.chainSide,
    ...chainSetup(chain),
    rules: state.rules,
  });

/** Whether the wheel stands straight, by a string along both wheels. */
export const stringOf = (
  state: Pick<JobState, 'rules'>,
  string: EntryData['string'],
  chain: EntryData['slack'] | null = null,
) =>
  attempt(wheelAlignString, { ...stringInput(string), ...chainSetup(chain), rules: state.rules });

/** The brake as it was pumped, and the wheel as it was spun. */
export const brakeNow = (state: JobState, brake: EntryData['brake']) =>
  attempt(brakeDrag, { ...brakeInput(brake), drum: state.wheel?.discSide === 'none' });

export const sensorOf = (gap: EntryData['sensor-gap']) => attempt(sensorGap, sensorInput(gap));

export const discOf = (
  state: Pick<JobState, 'rules'>,
  { readings, limitMm }: EntryData['disc-runout'],
) =>
  attempt(discRunout, { readings, rules: state.rules, ...(limitMm === null ? {} : { limitMm }) });

/**
 * The recalibration of the machine. `otherKpa` is what was set at the other wheel of the visit;
 * null if not known.
 */
export const teachingOf = (state: JobState, otherKpa: number | null) => {
  const { machine, wheel, pressureSet } = state;
  if (!machine || !wheel) return null;
  const isFront = wheelEnd(wheel.position) === 'front';
  const hereKpa = pressureSet?.rideKpa ?? null;
  return recalibration.run({
    teachKmh: machine.teachKmh,
    teachM: machine.teachM,
    teachLamp: machine.teachLamp,
    wheelSensors: machine.wheelSensors,
    newTire: state.chosen !== null,
    frontKpa: isFront ? hereKpa : otherKpa,
    rearKpa: isFront ? otherKpa : hereKpa,
  });
};

/**
 * A step that a point is proved by: ticked or not; null where this wheel's procedure does not have
 * it.
 */
const tickOf = (state: JobState, ids: ReadonlySet<string>, stepId: string): boolean | null =>
  ids.has(stepId) ? Boolean(state.steps[stepId]) : null;

/** The facts of each safety point by the log. */
export const leaveFactsOf = (state: JobState): LeaveFacts => {
  const { machine, seated, seatReadings, pressureSet, torqued, brake, ride } = state;
  const ids = new Set(stepsOf(state).map((s) => s.id));
  const ticked = (stepId: string) => tickOf(state, ids, stepId);
  const isFour = machine !== null && onFourWheels(machine.kind);
  const ring = ringOf(state);
  const fasteners = fastenersOf(state);
  const pumped = ticked(isFour ? PROOF_STEPS.pedal : PROOF_STEPS.brake);
  const peaks = [...seatReadings, ...state.pops].map((r) => r.gaugeKpa);
  return {
    seatedDisc: seated.disc,
    seatedOther: seated.other,
    seatPeakKpa: peaks.length === 0 ? null : Math.max(...peaks),
    seatLimitKpa: seatLimitOf(state).result.limitKpa,
    setKpa: pressureSet?.gaugeKpa ?? null,
    ringBolts: ring && { done: ring.done, all: ring.turns.length },
    fasteners: machine?.loose
      ? null
      : fasteners.map(({ name, torqueNm }) => {
          const done = torqued[name];
          return {
            name,
            torqueNm,
            how: done?.how ?? null,
            reachedNm: done?.device ? done.torqueNm : null,
          };
        }),
    pinDone: ticked(PROOF_STEPS.pin),
    axleSeen: ticked(PROOF_STEPS.axle),
    // What was written of the brake itself counts before a tick.
    brake:
      pumped === null ? null : { firm: brake?.firm ?? (pumped || null), spin: brake?.spin ?? null },
    arrowSeen: ticked(PROOF_STEPS.arrow),
    capOn: Boolean(state.steps[PROOF_STEPS.cap]),
    ride: machine?.loose ? null : (ride?.how ?? 'none'),
  };
};

/** The safety points that the log proves, with the working. */
export const readyOf = (state: JobState) => readyToLeave.run(leaveFactsOf(state));

/** The measurements of a wheel that goes back that are not as they should be. */
export const backDoubts = (state: JobState): string[] => {
  const { slack, marks, string, brake, discRunout: disc } = state;
  const chain = slack.after ?? slack.before;
  const found = [
    chain && chainOf(chain),
    marks && alignOf(state, marks, chain),
    string && stringOf(state, string, chain),
    brake && brakeNow(state, brake),
    state.sensorGap && sensorOf(state.sensorGap),
    disc && discOf(state, disc),
  ];
  return found.flatMap((f) =>
    f?.ok
      ? f.working.result.reasons
          .filter((r: Reason) => r.verdict !== 'good')
          .map((r: Reason) => r.says)
      : [],
  );
};

/**
 * Until when it cools after its test ride, ISO 8601; null before the ride, or where no one rode.
 */
export const coolUntil = (state: JobState): string | null =>
  state.ride && state.ride.how !== 'refused'
    ? new Date(
        Date.parse(state.ride.at) + ruleNumber('ride.coolMin', state.rules) * 60_000,
      ).toISOString()
    : null;
