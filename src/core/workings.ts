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
} from './balance';
import { brakeDrag, discRunout } from './brake';
import { estimate } from './costs';
import { dayPlan, timeLeft } from './day';
import { chainSlack, wheelAlign, wheelAlignString } from './drive';
import { readyToLeave, recalibration, sensorGap } from './leave';
import { beadPath, bitePlan, leverEffort, mountOrientation, rimProfile } from './beads';
import { materials, rimLockPick, stripPick, tireFit, tireRank, tools, valvePick } from './fitting';
import { beadInspect, bearingCheck, tubeInspect } from './inspect';
import { procedure, trouble } from './procedure';
import {
  gaugeError,
  leak,
  pressureCorrect,
  pressureStart,
  seatLadder,
  seatLimit,
  twoGauges,
  valveSet,
} from './pressure';
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
} from './tires';
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
} from './ring';
import { torqueCheck, torqueSequence, torqueWrench } from './torque';
import { runout, spokeRing, trueAdvise } from './truing';
import { tubeDouble, tubeNeed, tubePick, tubeReuse, tubeStretch } from './tubes';
import { rimCode } from './wheels';
import type { AnyWorking } from './working';

/** Workings that belong to one part of the work. */
export interface WorkingGroup {
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
    name: 'Wheel back',
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
