import { practiceRound } from './practice';
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
import { beadSlack, bitePlan, mountOrientation } from './beads';
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
import { torqueCheck, torqueWrench } from './torque';
import { runout, spokeRing } from './truing';
import { tubeDouble, tubeNeed, tubePick, tubeReuse, tubeStretch } from './tubes';
import { rimCode } from './wheels';
import type { AnyWorking } from './working';

/** Every computation by name. A new one is a new file and one line here. */
export const WORKINGS: readonly AnyWorking[] = [
  tireSize,
  sidewallRead,
  tireCompare,
  tireAge,
  tireVolume,
  treadWear,
  rimCode,
  rimWidthFit,
  loadSpeedFit,
  directionFit,
  tireFit,
  tireRank,
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
  procedure,
  beadSlack,
  bitePlan,
  mountOrientation,
  tubeInspect,
  beadInspect,
  bearingCheck,
  runout,
  spokeRing,
  trouble,
  seatLimit,
  seatLadder,
  gaugeError,
  twoGauges,
  valveSet,
  pressureStart,
  pressureCorrect,
  leak,
  balanceTrial,
  practiceRound,
  standBand,
  balancePlace,
  balanceEstimate,
  balanceAdvise,
  balanceIndex,
  balanceParts,
  residualUnbalance,
  torqueWrench,
  torqueCheck,
];

/** The definition by its name, or undefined. */
export const findWorking = (name: string): AnyWorking | undefined => WORKINGS.find((w) => w.name === name);
