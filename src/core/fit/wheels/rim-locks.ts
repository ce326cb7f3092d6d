import { placeText } from '../../base/units';

interface Locked {
  readonly rimLockDegs: readonly number[];
}

/** The places of the rim locks, seen from the disc side; empty for a wheel without. */
export const lockPlaces = ({ rimLockDegs }: Locked): string =>
  rimLockDegs.map((deg) => placeText(deg)).join('; ');
