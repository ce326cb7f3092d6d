import Joi from 'joi';
import { SPINS, SPIN_WORDS, type Spin } from '../../bench/brake';
import { count, listOf, oneOf, quantity, record, text } from '../../base/fields';
import { isCritical, torqueCheck } from '../../bench/torque';
import { counted } from '../../base/units';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';
import { lowerFirst } from '../../base/text-case';

/** The points to prove before a wheel leaves. */
export const SAFETY_POINTS = [
  'seated',
  'limit',
  'pressure',
  'clamped',
  'torque',
  'pin',
  'axle',
  'brake',
  'arrow',
  'cap',
  'ride',
] as const;
export type SafetyPoint = (typeof SAFETY_POINTS)[number];

/** The wanted state of each point. */
const SAFETY_WORDS: Record<SafetyPoint, string> = {
  seated: 'Both beads seated',
  limit: 'Seating limit not exceeded',
  pressure: 'Pressure set',
  clamped: 'Every bolt of ring or rim torqued',
  torque: 'Every critical fastener torqued',
  pin: 'Cotter pins and one-time parts renewed',
  axle: 'Both axle ends checked',
  brake: 'Brake firm',
  arrow: 'Arrow the right way',
  cap: 'Valve cap on',
  ride: 'Test ride',
};

/** The rider's risk if the check is left open. Common practice. */
export const SAFETY_RISKS: Record<SafetyPoint, string> = {
  seated: 'The tire can come off its seat and lose its air at once.',
  limit: 'A bead or rim that had too much air can burst.',
  pressure: 'At a wrong pressure the tire handles badly, pinches or overheats.',
  clamped: 'A ring or a rim half can come apart under air. It can kill.',
  torque: 'The wheel or the brake can come loose.',
  pin: 'A nut can back off.',
  axle: 'The axle can work loose.',
  brake: 'The first pull of the lever may stop nothing.',
  arrow: 'A tire on backward grips less when it brakes or drives.',
  cap: 'Dirt can hold the valve open and let the air out.',
  ride: 'A pull or a shake shows only at speed.',
};

/** A fastener as the log has it; `how` null where it says nothing. */
interface FastenerFact {
  name: string;
  torqueNm: number | null;
  how: 'torqued' | 'snug' | 'guess' | null;
  /** The torque at which the wrench clicked, if one was listened to. */
  reachedNm: number | null;
}

/**
 * The facts of each point by the log; a part that this wheel does not have, or that is not asked
 * for, is null.
 */
export interface LeaveFacts {
  /** By the molded line; null where no one looked. */
  seatedDisc: boolean | null;
  seatedOther: boolean | null;
  /** The highest that was read while seating; null where nothing was read. */
  seatPeakKpa: number | null;
  seatLimitKpa: number;
  setKpa: number | null;
  /** Turns of the wrench on the bolts of ring or rim: those that are done, and all. */
  ringBolts: { done: number; all: number } | null;
  fasteners: FastenerFact[] | null;
  pinDone: boolean | null;
  axleSeen: boolean | null;
  /** `firm` null where no one pumped it. */
  brake: { firm: boolean | null; spin: Spin | null } | null;
  arrowSeen: boolean | null;
  capOn: boolean;
  ride: 'ridden' | 'not good' | 'refused' | 'none' | null;
}

/** The proof of a point by the log, and its source. */
export interface PointReport {
  point: SafetyPoint;
  says: string;
  /**
   * `failed`: the log says that it is not so; `open`: the log does not say; `declined`: the rider
   * did not want it, so it is neither on record nor missing.
   */
  stands: 'proved' | 'open' | 'failed' | 'declined';
  by: string;
}

interface ReadyToLeave {
  points: PointReport[];
  /** Those that are open or failed. */
  missing: PointReport[];
  /** `9 of 10 on record`; what was declined is in neither number, but named behind them. */
  onRecord: string;
  reasons: Reason[];
}

type Judged = Omit<PointReport, 'point' | 'says'>;
const proved = (by: string): Judged => ({ stands: 'proved', by });
const open = (by: string): Judged => ({ stands: 'open', by });
const failed = (by: string): Judged => ({ stands: 'failed', by });
const ticked = (done: boolean, by: string, missing: string): Judged =>
  done ? proved(by) : open(missing);

/** A gauge that shows this little more than the limit is at it. */
const GAUGE_KPA = 0.01;

const torqueOf = (fasteners: readonly FastenerFact[]): Judged => {
  if (fasteners.length === 0) return open('the machine’s torque specs are unknown');
  const critical = fasteners.filter(isCritical);
  const off = fasteners.filter(
    ({ torqueNm, reachedNm }) =>
      torqueNm !== null &&
      reachedNm !== null &&
      !torqueCheck.run({ wantedNm: torqueNm, reachedNm }).result.within,
  );
  if (off.length > 0)
    return failed(`clicked at the wrong torque: ${off.map((f) => f.name).join(', ')}`);
  const unproved = critical.filter((f) => f.how !== 'torqued');
  const said = unproved.map((f) => (f.how === null ? f.name : `${f.name} (${f.how})`));
  if (unproved.length > 0) return open(said.join(', '));
  // With no critical one on record no one knows what holds the wheel.
  if (critical.length === 0) return open('no fastener with a torque is on record');
  return proved(`${counted(critical.length, 'fastener')} torqued`);
};

const brakeOf = ({ firm, spin }: NonNullable<LeaveFacts['brake']>): Judged => {
  if (firm === false) return failed('not firm');
  if (spin === 'stuck') return failed(SPIN_WORDS.stuck);
  if (firm === null) return open('not pumped');
  return proved(spin === null ? 'firm' : `firm, ${SPIN_WORDS[spin]}`);
};

const RIDE: Record<NonNullable<LeaveFacts['ride']>, Judged> = {
  ridden: proved('ridden'),
  refused: { stands: 'declined', by: 'not ridden: declined' },
  'not good': failed('ridden, problem found'),
  none: open('not ridden, not declined'),
};

const seatedOf = ({ seatedDisc, seatedOther }: LeaveFacts): Judged => {
  if (seatedDisc === false || seatedOther === false) return failed('one bead is not seated');
  return ticked(
    seatedDisc === true && seatedOther === true,
    'the molded line, both sides',
    'both sides not checked',
  );
};

const limitOf = ({ seatPeakKpa, seatLimitKpa }: LeaveFacts): Judged => {
  if (seatPeakKpa === null) return open('no pressure was read while seating');
  return seatPeakKpa > seatLimitKpa + GAUGE_KPA
    ? failed('a reading was above the limit')
    : proved('the readings while seating');
};

/** The judge of each point; null if this wheel does not have it. */
const JUDGES: Record<SafetyPoint, (facts: LeaveFacts) => Judged | null> = {
  seated: seatedOf,
  limit: limitOf,
  pressure: ({ setKpa }) => ticked(setKpa !== null && setKpa > 0, 'the gauge', 'not set'),
  clamped: ({ ringBolts: it }) =>
    it &&
    ticked(
      it.all > 0 && it.done >= it.all,
      `${it.done} of ${it.all} turns`,
      `${it.done} of ${it.all} turns`,
    ),
  torque: ({ fasteners }) => fasteners && torqueOf(fasteners),
  pin: ({ pinDone }) =>
    pinDone === null ? null : ticked(pinDone, 'checked off', 'not checked off'),
  axle: ({ axleSeen }) =>
    axleSeen === null ? null : ticked(axleSeen, 'checked off', 'not checked off'),
  brake: ({ brake }) => brake && brakeOf(brake),
  arrow: ({ arrowSeen }) =>
    arrowSeen === null ? null : ticked(arrowSeen, 'checked off', 'not checked off'),
  cap: ({ capOn }) => ticked(capOn, 'checked off', 'not checked off'),
  ride: ({ ride }) => ride && RIDE[ride],
};

const maybe = (label: string) =>
  Joi.boolean()
    .allow(null)
    .required()
    .description(label)
    .meta({ expected: `Enter ${lowerFirst(label)}: true, false, or null if it was not checked` });

/**
 * For every safety point whether the log proves it, by what, and what is missing.
 *
 * Pressures 0 to 1000 kPa; what a wheel does not have is null. It states facts: whether a machine
 * may be ridden is for the rider, the maker's manual and local codes. Common practice; a click
 * within the deviation of ISO 6789-1, recalled.
 */
export const readyToLeave = defineWorking<LeaveFacts, ReadyToLeave>({
  name: 'ready-to-leave',
  title: 'Safety checks on record',
  input: () => ({
    seatedDisc: maybe('Seated on the disc side'),
    seatedOther: maybe('Seated on the other side'),
    seatPeakKpa: quantity('kPa', 0, 1000, 'Max while seating').allow(null),
    seatLimitKpa: quantity('kPa', 20, 1000, 'The seating limit'),
    setKpa: quantity('kPa', 0, 1000, 'Pressure set').allow(null),
    ringBolts: record(
      { done: count(0, 400, 'Turns done'), all: count(0, 400, 'All turns') },
      'Bolts of ring or rim',
    ).allow(null),
    fasteners: listOf(
      record(
        {
          name: text(60, 'The fastener'),
          torqueNm: quantity('Nm', 0.1, 1000, 'Torque in the manual').allow(null),
          how: oneOf(['torqued', 'snug', 'guess'], 'How it was tightened').allow(null),
          reachedNm: quantity('Nm', 0, 1200, 'Torque at the click').allow(null),
        },
        'A fastener',
      ),
      40,
      'The fasteners that hold the wheel',
    ).allow(null),
    pinDone: maybe('One-time parts renewed'),
    axleSeen: maybe('Both axle ends checked'),
    brake: record(
      { firm: maybe('Firm'), spin: oneOf(SPINS, 'How the wheel turns').allow(null) },
      'The brake',
    ).allow(null),
    arrowSeen: maybe('Arrow checked'),
    capOn: Joi.boolean()
      .required()
      .description('Valve cap on')
      .meta({ expected: 'Choose valve cap on: true or false' }),
    ride: oneOf(['ridden', 'not good', 'refused', 'none'], 'The test ride').allow(null),
  }),
  example: {
    seatedDisc: true,
    seatedOther: true,
    seatPeakKpa: 214,
    seatLimitKpa: 262,
    setKpa: 88,
    ringBolts: null,
    fasteners: [
      { name: 'rear axle nut', torqueNm: 96, how: 'torqued', reachedNm: 97 },
      { name: 'caliper bolts', torqueNm: 27, how: 'snug', reachedNm: null },
    ],
    pinDone: true,
    axleSeen: true,
    brake: { firm: true, spin: 'free' },
    arrowSeen: true,
    capOn: true,
    ride: 'refused',
  },
  work(facts, show) {
    const points = SAFETY_POINTS.flatMap((point): PointReport[] => {
      const judged = JUDGES[point](facts);
      return judged ? [{ point, says: SAFETY_WORDS[point], ...judged }] : [];
    });
    for (const p of points) show.line(p.says, p.stands, p.by);
    show.basis('measured', 'the log of this job');
    show.basis('practice', 'the safety checks a wheel needs before hand-over');
    show.basis('memory', 'permitted deviation of a click wrench, recalled from ISO 6789-1');
    const missing = points.filter((p) => p.stands === 'open' || p.stands === 'failed');
    const declined = points.filter((p) => p.stands === 'declined');
    const asked = points.length - declined.length;
    const onRecord = [
      `${asked - missing.length} of ${asked} on record`,
      ...declined.map((p) => `${lowerFirst(p.says)} declined`),
    ].join(', ');
    const reasons =
      missing.length === 0
        ? [
            reason('good', 'Every safety check asked for is on record.'),
            ...declined.map((p) => reason('check', `${p.says}: ${p.by}.`)),
          ]
        : missing.map((p) => reason('stop', `${p.says}: ${p.by}.`));
    show.verdict(worstOf(reasons));
    show.caution(
      'This shows what is on record and nothing more. The maker’s manual, local codes and licensed practice decide.',
    );
    return { points, missing, onRecord, reasons };
  },
});
