import type { DialMark } from './marks';

/** The rim locks as marks on the dial. */
export const lockMarks = ({
  rimLockDegs,
}: {
  readonly rimLockDegs: readonly number[];
}): DialMark[] => rimLockDegs.map((deg) => ({ is: 'lock', deg }));
