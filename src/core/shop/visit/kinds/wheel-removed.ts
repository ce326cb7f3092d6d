import { InputError } from '../../../base/errors';
import { text } from '../../../base/fields';
import { defineVisitEntry, type VisitWheel } from '../define-entry';
import { checkTakesPart, ID } from '../fields';

/** A wheel that no longer takes part, and why. */
interface WheelRemovedData {
  jobId: string;
  why: string;
}

export const wheelRemovedEntry = defineVisitEntry<
  WheelRemovedData,
  object,
  { wheels: VisitWheel[] }
>({
  author: 'anyone',
  undo: 'never',
  schema: { jobId: ID, why: text(200, 'Why it takes no part') },
  check: ({ jobId }, { wheels }, jobs) => {
    checkTakesPart(wheels, jobId);
    if (jobs.isBegun(jobId))
      throw new InputError(
        'data.jobId',
        'Work on this wheel has begun: it stays in the visit.',
        'Choose a wheel whose work has not started',
      );
    if (wheels.length === 1)
      throw new InputError(
        'data.jobId',
        'A visit has at least one wheel.',
        'Keep at least one wheel',
      );
  },
  text: ({ jobId, why }, { wheel }) => `${wheel(jobId)} removed: ${why}`,
  initial: {},
  apply: ({ wheels }, { data }) => ({ wheels: wheels.filter((w) => w.jobId !== data.jobId) }),
});
