import type { Use } from '../pressure';
import { TREADS, TREAD_WORDS, type Tread } from '../../fit/tires';
import { onFourWheels, type MachineKind } from '../../fit/wheels';
import { reason, type Reason } from '../../base/working';

/** Whether riding is on the road or off it, for arrows and treads. */
export const groundOf = (use: Use): 'road' | 'dirt' =>
  use === 'motocross' || use === 'dirt' || use === 'trail' ? 'dirt' : 'road';

/** Treads in the order that a use wants them. Common practice. */
const WANTED: Record<Use, readonly Tread[]> = {
  motocross: ['soft', 'hard'],
  dirt: ['soft', 'hard', 'half', 'trials'],
  trail: ['trials', 'soft', 'hard', 'half'],
  storage: TREADS,
  'scooter-front': ['road', 'touring'],
  road: ['touring', 'road', 'sport', 'half'],
};

const OFF_ROAD: readonly Tread[] = ['soft', 'hard', 'trials'];
const ROAD: readonly Tread[] = ['touring', 'road', 'sport'];

const poor = (tread: Tread, ground: 'road' | 'dirt'): Reason => {
  if (tread === 'slick')
    return ground === 'road'
      ? reason('stop', 'A slick never goes on the road: nothing channels water.')
      : reason('stop', 'A slick has no grip on loose ground.');
  if (ground === 'dirt' && ROAD.includes(tread))
    return reason('check', 'A road pattern has nowhere for gravel to go and skates on it.');
  if (tread === 'trials')
    return reason(
      'check',
      'A trials type grips rock and dry trail at low pressure, and clogs in mud and snow.',
    );
  if (ground === 'road' && OFF_ROAD.includes(tread))
    return reason('check', 'Knobby on the road: made for loose ground.');
  if (tread === 'four-wheel')
    return reason('check', 'Its tread is made for machines on four wheels.');
  return reason('check', `Wrong tread for this use (${TREAD_WORDS[tread]}).`);
};

/** The fit of a tread to a use: the smaller `rank`, the better. */
export const treadForUse = (
  tread: Tread,
  use: Use,
  kind: MachineKind,
): { rank: number; reason: Reason } => {
  const isDrag = kind === 'drag';

  if (tread === 'other') return { rank: 5, reason: reason('check', 'Tread use not recorded.') };
  if (onFourWheels(kind))
    return tread === 'four-wheel' || (tread === 'slick' && isDrag)
      ? {
          rank: 0,
          reason: reason(
            'good',
            tread === 'slick'
              ? 'A slick is made for the strip.'
              : 'Its tread is made for four wheels.',
          ),
        }
      : { rank: 9, reason: reason('check', 'Its tread is not made for machines on four wheels.') };
  const rank = WANTED[use].indexOf(tread);
  return rank < 0
    ? { rank: 9, reason: poor(tread, groundOf(use)) }
    : { rank, reason: reason('good', `Its tread suits: ${TREAD_WORDS[tread]}.`) };
};
