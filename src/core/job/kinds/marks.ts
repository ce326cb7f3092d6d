import { CHAIN_SIDES } from '../../bench/drive';
import { oneOf, quantity } from '../../base/fields';
import { alignedSteps, type AlignmentState, type MarksData } from '../alignment-state';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The marks of both adjusters, larger further back. */
export const marksEntry = defineEntry<
  MarksData,
  Pick<AlignmentState, 'marks'>,
  Omit<AlignmentState, 'marks'>
>({
  ...WHEEL_WORK,
  schema: () => ({
    leftMm: quantity('mm', -100, 300, 'Left adjuster mark'),
    rightMm: quantity('mm', -100, 300, 'Right adjuster mark'),
    spanMm: quantity('mm', 80, 600, 'Adjuster spacing'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  }),
  text: ({ leftMm, rightMm }, { q }) =>
    `Marks of the adjusters: left ${q(leftMm, 'mm', 1)}, right ${q(rightMm, 'mm', 1)}`,
  initial: { marks: null },
  apply: (_, { data }) => ({ marks: data }),
  steps: (_, after) => alignedSteps(after),
});
