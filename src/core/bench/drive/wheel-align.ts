import type Joi from 'joi';
import { inputError } from '../../base/errors';
import { oneOf, quantity, record, ruleValues } from '../../base/fields';
import { defineWorking, reason } from '../../base/working';
import { alignBy, CHAIN_SIDES, type Alignment, type Setup } from './align';

/** The machine's part of both ways of measuring. */
const SETUP: { [Field in keyof Required<Setup>]: Joi.Schema } = {
  adjusterSpanMm: quantity('mm', 80, 600, 'Adjuster spacing'),
  chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt').optional(),
  sprocketInsetMm: quantity(
    'mm',
    0,
    300,
    'From the adjuster on that side in to the sprocket',
  ).optional(),
  runMm: quantity('mm', 150, 1500, 'Free chain run').optional(),
  pitchMm: quantity('mm', 0.5, 3, 'Adjuster thread pitch').optional(),
  rules: ruleValues(),
};

const checkInset = ({ sprocketInsetMm = 0, adjusterSpanMm }: Setup): void => {
  if (sprocketInsetMm > adjusterSpanMm)
    throw inputError(
      'sprocketInsetMm',
      'A sprocket {0} in lies beyond the other adjuster.',
      'Enter at most the adjuster spacing, {1}',
      [
        { value: sprocketInsetMm, unit: 'mm' },
        { value: adjusterSpanMm, unit: 'mm', bound: 'max' },
      ],
    );
};

interface ByMarks extends Setup {
  leftMark: number;
  rightMark: number;
}

/**
 * Whether the rear wheel stands straight, by the two marks of its adjusters.
 *
 * Marks in mm from the end of the swingarm or any line that both share, larger further back, −100
 * to 300; `adjusterSpanMm` 80 to 600. Throws `InputError` for a sprocket beyond the other adjuster.
 * Source: trigonometry.
 */
export const wheelAlign = defineWorking<ByMarks, Alignment>({
  name: 'wheel-align',
  title: 'Wheel alignment by marks',
  input: () => ({
    leftMark: quantity('mm', -100, 300, 'Left adjuster mark'),
    rightMark: quantity('mm', -100, 300, 'Right adjuster mark'),
    ...SETUP,
  }),
  example: { leftMark: 31.5, rightMark: 29, adjusterSpanMm: 236, runMm: 605, pitchMm: 1.25 },
  work({ leftMark, rightMark, ...setup }, show) {
    checkInset(setup);
    show.basis('measured', 'the two marks');
    return alignBy(
      show.line('left further back', 'left − right', leftMark - rightMark, 'mm'),
      setup,
      show,
    );
  },
});

/**
 * Gaps between a straight line along the rear tire and the front tire, at the front tire's own
 * front and rear.
 */
export interface Gaps {
  leftFront: number;
  leftRear: number;
  rightFront: number;
  rightRear: number;
}

interface ByString extends Setup {
  gapsMm: Gaps;
  wheelbaseMm: number;
}

const gap = (label: string) => quantity('mm', 0, 200, label);
export const GAPS_FIELD = record(
  {
    leftFront: gap('Left, at the front of the front tire'),
    leftRear: gap('Left, at its rear'),
    rightFront: gap('Right, at the front of the front tire'),
    rightRear: gap('Right, at its rear'),
  },
  'The gaps',
);

/**
 * Both sums of gaps say how much narrower the front tire is: readings that differ by more
 * contradict each other.
 */
const SUMS_MM = 3;

/**
 * Whether the rear wheel stands straight, by a string or a straight edge along both sides of the
 * rear tire and the gaps that it leaves at the front tire.
 *
 * Gaps 0 to 200 mm; `wheelbaseMm` 600 to 2500. The bars may be turned a little: the middle of the
 * front tire counts. Takes both wheels to run in one line; a machine whose wheels are offset by
 * design is measured by its marks. Throws `InputError` where the gaps contradict each other.
 * Source: trigonometry; what the two sums may differ by from memory.
 */
export const wheelAlignString = defineWorking<ByString, Alignment>({
  name: 'wheel-align-string',
  title: 'Wheel alignment by string',
  input: () => ({
    gapsMm: GAPS_FIELD,
    wheelbaseMm: quantity('mm', 600, 2500, 'Wheelbase'),
    ...SETUP,
  }),
  example: {
    gapsMm: { leftFront: 21, leftRear: 20.5, rightFront: 15, rightRear: 15.5 },
    wheelbaseMm: 1430,
    adjusterSpanMm: 236,
    pitchMm: 1.25,
  },
  work({ gapsMm, wheelbaseMm, ...setup }, show) {
    checkInset(setup);
    const { leftFront, leftRear, rightFront, rightRear } = gapsMm;
    const apartMm = Math.abs(leftFront + rightFront - (leftRear + rightRear));
    if (apartMm > SUMS_MM)
      throw inputError(
        'gapsMm',
        'Left and right together are {0} in front and {1} behind.',
        'Run both strings so they touch the rear tire at its front and rear: then both sums are the same',
        [leftFront + rightFront, leftRear + rightRear].map((value) => ({
          value,
          unit: 'mm',
          digits: 1,
        })),
      );
    show.basis('measured', 'four gaps at the front tire');
    show.basis('memory', `the sums of the gaps may differ by ${SUMS_MM} mm`);
    const leftMm = show.line('gap on the left', 'middle of two', (leftFront + leftRear) / 2, 'mm');
    const rightMm = show.line(
      'gap on the right',
      'middle of two',
      (rightFront + rightRear) / 2,
      'mm',
    );
    // The line of the rear wheel passes the front axle to the left of its middle by half the
    // difference.
    const asideMm = show.line(
      'aside at the front axle',
      '(left − right) / 2',
      (leftMm - rightMm) / 2,
      'mm',
    );
    const differsMm = show.line(
      'as a difference of the marks',
      'aside × adjuster spacing / wheelbase',
      (asideMm * setup.adjusterSpanMm) / wheelbaseMm,
      'mm',
    );
    const found = alignBy(differsMm, setup, show);
    show.caution(
      'For wheels in one line. If they are offset by design, the manual says how to measure.',
    );
    const barsMm = Math.abs(leftFront - rightFront - (leftRear - rightRear)) / 2;
    if (barsMm <= SUMS_MM) return found;
    const turned = reason(
      'check',
      'The handlebars are turned: the gaps of one side differ by {0} from front to rear. Set them straight and measure again.',
      [{ value: barsMm, unit: 'mm', digits: 1 }],
    );
    show.verdict('check');
    return { ...found, reasons: [turned, ...found.reasons] };
  },
});
