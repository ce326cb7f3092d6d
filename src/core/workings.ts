import { balancePlace, balanceTrial } from './balance';
import { pressureCorrect, pressureStart, seatLimit } from './pressure';
import { tireAge, tireCompare, tireSize } from './tires';
import { torqueWrench } from './torque';
import { tubePick } from './tubes';
import type { AnyWorking } from './working';

/** Every computation by name. A new one is a new file and one line here. */
export const WORKINGS: readonly AnyWorking[] = [
  tireSize,
  tireCompare,
  tireAge,
  tubePick,
  seatLimit,
  pressureStart,
  pressureCorrect,
  balanceTrial,
  balancePlace,
  torqueWrench,
];

/** The definition by its name, or undefined. */
export const findWorking = (name: string): AnyWorking | undefined => WORKINGS.find((w) => w.name === name);
