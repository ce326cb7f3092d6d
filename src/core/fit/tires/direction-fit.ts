import { oneOf } from '../../base/fields';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

export const ARROWS = ['none', 'one', 'two'] as const;
export type Arrows = (typeof ARROWS)[number];

interface DirectionInput {
  /** Arrows on the sidewall: none, one, or one for the road and one for dirt. */
  arrows: Arrows;
  /** The end the tire is marked for. */
  markedFor: 'front' | 'rear' | 'either';
  end: 'front' | 'rear';
  ground: 'road' | 'dirt';
  discSide: 'left' | 'right' | 'both' | 'none';
}

interface DirectionFit {
  /** The arrow that counts. */
  arrow: 'the only one' | 'the road one' | 'the dirt one' | 'none';
  /**
   * The turn of a wheel that rolls forward, seen from its disc side, or from the right if it does
   * not have exactly one disc.
   */
  turns: 'clockwise' | 'counterclockwise';
  reasons: Reason[];
}

/** A wheel rolling forward turns clockwise for who looks at its right side. */
export const forwardTurn = (discSide: DirectionInput['discSide']): DirectionFit['turns'] =>
  discSide === 'left' ? 'counterclockwise' : 'clockwise';

const ARROW_OF = {
  none: { road: 'none', dirt: 'none' },
  one: { road: 'the only one', dirt: 'the only one' },
  two: { road: 'the road one', dirt: 'the dirt one' },
} as const;

/** The direction of a tire, with the reasons. */
export const fitDirection = ({
  arrows,
  markedFor,
  end,
  ground,
  discSide,
}: DirectionInput): DirectionFit => {
  const arrow: DirectionFit['arrow'] = ARROW_OF[arrows][ground];
  const reasons: Reason[] = [];
  const from = discSide === 'left' ? 'left' : 'right';
  const turns = forwardTurn(discSide);
  if (arrows === 'none')
    reasons.push(
      reason(
        'good',
        `No arrow: either way round. Rolling forward it turns ${turns}, seen from the ${from}${discSide === 'none' ? '' : '; an arrow on the disc says the same'}.`,
      ),
    );
  else
    reasons.push(
      reason('good', `The arrow that counts (${arrow}) points ${turns}, seen from the ${from}.`),
    );
  if (markedFor !== 'either' && markedFor !== end)
    reasons.push(
      reason(
        'check',
        `It is marked for the ${markedFor} and goes on the ${end}: its arrow may mean something else there. The maker decides.`,
      ),
    );
  return { arrow, turns, reasons };
};

/**
 * The arrow that counts and the way it points, by end and ground.
 *
 * Seen from the disc side; from the right where the wheel has no single disc. Common practice.
 */
export const directionFit = defineWorking<DirectionInput, DirectionFit>({
  name: 'direction-fit',
  title: 'Tire direction',
  input: () => ({
    arrows: oneOf(ARROWS, 'Arrows on the sidewall'),
    markedFor: oneOf(['front', 'rear', 'either'], 'Which end the tire is marked for'),
    end: oneOf(['front', 'rear'], 'The end it goes on'),
    ground: oneOf(['road', 'dirt'], 'Where it is used'),
    discSide: oneOf(['left', 'right', 'both', 'none'], 'Side of the brake disc'),
  }),
  example: { arrows: 'two', markedFor: 'either', end: 'rear', ground: 'dirt', discSide: 'right' },
  work(input, show) {
    const fit = fitDirection(input);
    show.line(
      'arrow that counts',
      `${input.arrows} on the sidewall, used on ${input.ground}`,
      fit.arrow,
    );
    show.line('turns', 'rolling forward, seen from the disc side', fit.turns);
    show.basis('practice', 'a two-way tire has one arrow for the road and one, reversed, for dirt');
    show.verdict(worstOf(fit.reasons));
    show.caution('Check the arrow three times: a tire on backwards is the whole job again.');
    return fit;
  },
});
