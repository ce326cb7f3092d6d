import {
  practiceAir,
  practiceBalance,
  practiceLeak,
  practicePair,
  practiceLevers,
  practiceRing,
  practiceSidewall,
  practiceTrue,
} from './practice';
import {
  balanceAdvise,
  balanceEstimate,
  balanceIndex,
  balanceParts,
  balancePlace,
  balanceTrial,
  residualUnbalance,
  standBand,
} from './bench/balance';
import { brakeDrag, discRunout } from './bench/brake';
import { estimate } from './shop/costs';
import { dayPlan, timeLeft } from './shop/day';
import { chainSlack, wheelAlign, wheelAlignString } from './bench/drive';
import { readyToLeave, recalibration, sensorGap } from './job/leave';
import { beadPath, bitePlan, leverEffort, mountOrientation, rimProfile } from './bench/beads';
import {
  materials,
  rimLockPick,
  stripPick,
  tireFit,
  tireRank,
  tools,
  valvePick,
} from './bench/fitting';
import { beadInspect, bearingCheck, tubeInspect } from './bench/inspect';
import { procedure, trouble } from './job/procedure';
import {
  gaugeError,
  leak,
  pressureCorrect,
  pressureStart,
  seatLadder,
  seatLimit,
  twoGauges,
  valveSet,
} from './bench/pressure';
import {
  directionFit,
  loadSpeedFit,
  rimWidthFit,
  sidewallRead,
  tireAge,
  tireCompare,
  tireSize,
  tireVolume,
  treadWear,
} from './fit/tires';
import {
  beadCrush,
  boltCircle,
  clampForce,
  ringGap,
  ringOrder,
  rollout,
  rolloutMatch,
  splitRim,
  wheelOffset,
} from './bench/ring';
import { torqueCheck, torqueSequence, torqueWrench } from './bench/torque';
import { runout, spokeRing, trueAdvise } from './bench/truing';
import { tubeDouble, tubeNeed, tubePick, tubeReuse, tubeStretch } from './fit/tubes';
import { rimCode } from './fit/wheels';
import type { AnyWorking } from './base/working';

/** Workings that belong to one part of the work. */
interface WorkingGroup {
  name: string;
  workings: readonly AnyWorking[];
}

/** Every computation, grouped as the work goes. A new one is a new file and one line here. */
export const WORKING_GROUPS: readonly WorkingGroup[] = [
  {
    name: 'The tire',
    workings: [
      tireSize,
      sidewallRead,
      tireAge,
      treadWear,
      tireCompare,
      tireFit,
      practiceSidewall,
      tireRank,
      rimCode,
      rimWidthFit,
      loadSpeedFit,
      directionFit,
      tireVolume,
    ],
  },
  {
    name: 'Tube, parts and tools',
    workings: [
      tubeNeed,
      tubePick,
      tubeStretch,
      tubeDouble,
      tubeReuse,
      rimLockPick,
      stripPick,
      valvePick,
      materials,
      tools,
    ],
  },
  {
    name: 'Tire off and on',
    workings: [
      procedure,
      rimProfile,
      beadPath,
      bitePlan,
      leverEffort,
      mountOrientation,
      trouble,
      practiceLevers,
    ],
  },
  {
    name: 'The bare wheel',
    workings: [tubeInspect, beadInspect, bearingCheck, runout, trueAdvise, spokeRing, practiceTrue],
  },
  {
    name: 'Ring, pair and split',
    workings: [
      boltCircle,
      wheelOffset,
      beadCrush,
      clampForce,
      ringOrder,
      ringGap,
      rollout,
      rolloutMatch,
      splitRim,
      practiceRing,
      practicePair,
    ],
  },
  { name: 'Seat', workings: [seatLimit, seatLadder, practiceAir] },
  {
    name: 'Pressure',
    workings: [pressureStart, pressureCorrect, gaugeError, twoGauges, valveSet, leak, practiceLeak],
  },
  {
    name: 'Balance',
    workings: [
      balanceEstimate,
      balanceAdvise,
      balancePlace,
      balanceParts,
      balanceIndex,
      balanceTrial,
      residualUnbalance,
      standBand,
      practiceBalance,
    ],
  },
  {
    name: 'Wheel on',
    workings: [
      chainSlack,
      wheelAlign,
      wheelAlignString,
      torqueSequence,
      torqueWrench,
      torqueCheck,
      sensorGap,
      discRunout,
      brakeDrag,
    ],
  },
  { name: 'Hand over', workings: [recalibration, readyToLeave] },
  { name: 'The day', workings: [timeLeft, dayPlan, estimate] },
];

/** All of them, in the order of the work. */
export const WORKINGS: readonly AnyWorking[] = WORKING_GROUPS.flatMap((group) => group.workings);

/** The definition by its name, or undefined. */
export const findWorking = (name: string): AnyWorking | undefined =>
  WORKINGS.find((w) => w.name === name);
