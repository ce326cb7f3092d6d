import { oneOf } from '../../../base/fields';
import { POSITIONS, POSITION_WORDS } from '../../../fit/wheels';
import { defineVisitEntry, type VisitWheel } from '../define-entry';
import { ID } from '../fields';

/** A wheel takes part: its job has a log of its own. */
export const wheelAddedEntry = defineVisitEntry<VisitWheel, { wheels: VisitWheel[] }>({
  author: 'server',
  undo: 'never',
  schema: { jobId: ID, wheelId: ID, position: oneOf(POSITIONS, 'Where the wheel sits') },
  text: ({ position }) => `${POSITION_WORDS[position]} added`,
  initial: { wheels: [] },
  apply: ({ wheels }, { data }) => ({
    wheels: [...wheels.filter((w) => w.jobId !== data.jobId), data],
  }),
});
