import { InputError } from '../../base/errors';
import { angle, listOf } from '../../base/fields';
import { angleBetween } from '../../base/units';

/** A rim lock takes so much of the rim, and the valve's hole so much beside it. Basis: memory. */
const [LOCK_DEG, VALVE_DEG] = [10, 5];

/** Throws `InputError` where two locks would sit in one place, or one in the valve's hole. */
export const checkLockPlaces = (field: string, lockDegs: readonly number[], valveDeg = 0): void => {
  lockDegs.forEach((deg, i) => {
    if (Math.abs(angleBetween(deg, valveDeg)) < VALVE_DEG)
      throw new InputError(
        field,
        'A rim lock cannot sit where the valve is.',
        `Choose a place at least ${VALVE_DEG}° from the valve`,
      );
    if (lockDegs.slice(0, i).some((other) => Math.abs(angleBetween(deg, other)) < LOCK_DEG))
      throw new InputError(
        field,
        'Two rim locks cannot sit in one place.',
        `Choose places at least ${LOCK_DEG}° apart`,
      );
  });
};

/** Places of rim locks as input of a working, seen from the disc side. */
export const LOCK_PLACES = listOf(angle('Place of a rim lock'), 3, 'Rim locks').custom(
  (lockDegs: readonly number[], { state }) => {
    checkLockPlaces((state.path ?? []).join('.'), lockDegs);
    return lockDegs;
  },
);
