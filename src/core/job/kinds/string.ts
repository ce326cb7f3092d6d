import { CHAIN_SIDES, GAPS_FIELD, wheelAlignString } from '../../bench/drive';
import { oneOf, quantity } from '../../base/fields';
import { alignedSteps, type AlignmentState, type StringData } from '../alignment-state';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The gaps as the calculator takes them. */
export const stringInput = ({ gapsMm, wheelbaseMm, spanMm, chainSide }: StringData) => ({
  gapsMm,
  wheelbaseMm,
  adjusterSpanMm: spanMm,
  chainSide,
});

/** Gaps that a string along the rear tire leaves at the front tire. */
export const stringEntry = defineEntry<
  StringData,
  Pick<AlignmentState, 'string'>,
  Omit<AlignmentState, 'string'>
>({
  ...WHEEL_WORK,
  schema: () => ({
    gapsMm: GAPS_FIELD,
    wheelbaseMm: quantity('mm', 600, 2500, 'Wheelbase'),
    spanMm: quantity('mm', 80, 600, 'Adjuster spacing'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  }),
  check: (data) => void wheelAlignString.run(stringInput(data)),
  text: ({ gapsMm: { leftFront, leftRear, rightFront, rightRear } }, { q }) =>
    `String along both wheels: left ${q(leftFront, 'mm', 1)} and ${q(leftRear, 'mm', 1)}, right ${q(rightFront, 'mm', 1)} and ${q(rightRear, 'mm', 1)}`,
  initial: { string: null },
  apply: (_, { data }) => ({ string: data }),
  steps: (_, after) => alignedSteps(after),
});
