import { mountOrientation } from '../bench/beads';
import { attempt } from '../base/working';
import type { JobState } from './job-state';
import { lightMarkTo, newTireOf } from './new-tire';

/**
 * The way the tire lies on the side that is up, and the place of its mark. `arrowSeen` as it lies;
 * where no one has said yet, it is taken to lie right, and the result says what right is.
 */
export const orientationOf = (
  state: JobState,
  sideUp: 'disc' | 'other',
  arrowSeen?: 'clockwise' | 'counterclockwise',
) => {
  const { wheel } = state;
  const { lightMark, arrows } = newTireOf(state);
  if (!wheel) return null;
  const keptFrom = wheel.discSide === 'left' ? 'left' : 'right';
  const side = sideUp === 'disc' ? keptFrom : keptFrom === 'left' ? 'right' : 'left';
  const run = (seen: 'clockwise' | 'counterclockwise' | 'none') =>
    attempt(mountOrientation, {
      arrowSeen: seen,
      discSide: wheel.discSide,
      sideUp: side,
      lightMark,
      heavySpotDeg: wheel.heavySpotDeg,
      school: lightMarkTo(state),
    });
  if (!arrows) return run('none');
  if (arrowSeen) return run(arrowSeen);
  const either = run('clockwise');
  return either.ok && !either.working.result.asItLies ? run('counterclockwise') : either;
};
