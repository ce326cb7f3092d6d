import { angle, oneOf, boolean } from '../../base/fields';
import { forwardTurn } from '../../fit/tires';
import { mirrored } from '../../base/units';
import { LIGHT_MARK_TO, lightMarkPlace, lightMarkSays } from './light-mark';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  /**
   * The turn of the arrow that counts, looking at the tire's upper side as it lies now; none for a
   * tire without one.
   */
  arrowSeen: 'clockwise' | 'counterclockwise' | 'none';
  discSide: 'left' | 'right' | 'both' | 'none';
  /** The wheel's side that is up while the tire goes on. */
  sideUp: 'left' | 'right';
  lightMark: boolean;
  /**
   * Of the bare wheel, clockwise from the valve, seen from the disc side; null where it was not
   * found.
   */
  heavySpotDeg: number | null;
  school: 'valve' | 'heavy spot';
}

export interface MountOrientation {
  /** The turn that the arrow must have, seen from the side that is up. */
  arrowNeeds: 'clockwise' | 'counterclockwise' | 'either';
  /** The tire as it lies goes on as it is. */
  asItLies: boolean;
  /** The place of the light mark, seen from the side that is up; null without a mark. */
  markDeg: number | null;
  /** The same place seen once the wheel is turned over. */
  markTurnedDeg: number | null;
  reasons: Reason[];
}

const OTHER = { clockwise: 'counterclockwise', counterclockwise: 'clockwise' } as const;

/**
 * The side of a tire that goes up, and the place of its light mark.
 *
 * Angles clockwise from the valve; the heavy spot as kept, seen from the disc side (the right
 * without a single disc). A tire that lies the wrong way is refused. Most makers mark the lightest
 * point; common practice has two schools.
 */
export const mountOrientation = defineWorking<Input, MountOrientation>({
  name: 'mount-orientation',
  title: 'Tire direction and light mark',
  input: () => ({
    arrowSeen: oneOf(['clockwise', 'counterclockwise', 'none'], 'How the arrow points, from above'),
    discSide: oneOf(['left', 'right', 'both', 'none'], 'Side of the brake disc'),
    sideUp: oneOf(['left', 'right'], 'Side of the wheel that is up'),
    lightMark: boolean('The tire has a light mark'),
    heavySpotDeg: angle('Heavy spot of the bare wheel').allow(null),
    school: oneOf(LIGHT_MARK_TO, 'Light mark goes to'),
  }),
  example: {
    arrowSeen: 'counterclockwise',
    discSide: 'right',
    sideUp: 'left',
    lightMark: true,
    heavySpotDeg: 204,
    school: 'valve',
  },
  work({ arrowSeen, discSide, sideUp, lightMark, heavySpotDeg, school }, show) {
    const reasons: Reason[] = [];
    const keptFrom = discSide === 'left' ? 'left' : 'right';
    const turn = forwardTurn(discSide);
    // Seen from the other side every turn is the other way round.
    const fromAbove = sideUp === keptFrom ? turn : OTHER[turn];
    show.line('rolls forward', `seen from the ${sideUp}`, fromAbove);
    const arrowNeeds = arrowSeen === 'none' ? 'either' : fromAbove;
    const asItLies = arrowNeeds === 'either' || arrowNeeds === arrowSeen;
    if (!asItLies)
      reasons.push(
        reason(
          'stop',
          `The arrow must point ${fromAbove} with the ${sideUp} side up, and points ${arrowSeen}: turn the tire over.`,
        ),
      );
    else
      reasons.push(
        reason(
          'good',
          arrowSeen === 'none'
            ? 'No arrow: either way up.'
            : `With the ${sideUp} side up the arrow must point ${fromAbove}.`,
        ),
      );
    if (discSide === sideUp)
      reasons.push(
        reason(
          'check',
          'The disc is on top, beside the levers: the last bead goes over more safely with the disc side down and carrying no weight.',
        ),
      );
    let markDeg: number | null = null;
    if (!lightMark) reasons.push(reason('good', 'No light mark: nothing to line up.'));
    else {
      const place = lightMarkPlace(school, heavySpotDeg);
      const isKeptSideUp = sideUp === keptFrom;
      markDeg = isKeptSideUp ? place.deg : mirrored(place.deg);
      reasons.push(
        reason(place.isHeavySpotMissing ? 'check' : 'good', lightMarkSays(place, isKeptSideUp)),
      );
    }
    if (markDeg !== null) show.line('light mark', `seen from the ${sideUp}`, markDeg, 'deg');
    show.basis(
      'practice',
      'the mark is the lightest place; two methods: to the valve, or to the heavy spot of the bare wheel',
    );
    show.verdict(worstOf(reasons));
    show.caution(
      'Check the arrow three times. Recheck the mark after the last bead: levering turns the tire.',
    );
    return {
      arrowNeeds,
      asItLies,
      markDeg,
      markTurnedDeg: markDeg === null ? null : mirrored(markDeg),
      reasons,
    };
  },
});
