import { mountOrientation } from '../beads';
import { ruleWord } from '../rules';
import { attempt } from '../working';
import type { JobState } from './fold-job';

/**
 * Which way the tire lies on for the side that is up, and where its mark goes. `arrowSeen` as it lies; where nobody has
 * said
 * yet, it is taken to lie right, and the result says what right is.
 */
export const orientationOf = (
  state: JobState,
  sideUp: 'disc' | 'other',
  arrowSeen?: 'clockwise' | 'counterclockwise',
) => {
  const { wheel, chosen } = state;
  if (!wheel) return null;
  const keptFrom = wheel.discSide === 'left' ? 'left' : 'right';
  const side = sideUp === 'disc' ? keptFrom : keptFrom === 'left' ? 'right' : 'left';
  const run = (seen: 'clockwise' | 'counterclockwise' | 'none') =>
    attempt(mountOrientation, {
      arrowSeen: seen,
      discSide: wheel.discSide,
      sideUp: side,
      lightMark: chosen?.lightMark ?? true,
      heavySpotDeg: wheel.heavySpotDeg,
      school: ruleWord('lightMark.to', state.rules) as 'valve' | 'heavy spot',
    });
  if (chosen?.arrows === 'none') return run('none');
  if (arrowSeen) return run(arrowSeen);
  const either = run('clockwise');
  return either.ok && !either.working.result.asItLies ? run('counterclockwise') : either;
};
