import { placeText } from '../../base/units';
import type { DialMark } from './wheel-dial';

interface Locked {
  readonly rimLockDegs: readonly number[];
}

/** The rim locks as marks on the dial. */
export const lockMarks = ({ rimLockDegs }: Locked): DialMark[] =>
  rimLockDegs.map((deg) => ({ is: 'lock', deg }));

/** The places of the rim locks, seen from the disc side; empty for a wheel without. */
export const lockPlaces = ({ rimLockDegs }: Locked): string =>
  rimLockDegs.map((deg) => placeText(deg)).join('; ');
