import { defineVisitEntry } from '../define-entry';
import { ID } from '../fields';

/** Takes an earlier entry out of effect; what it brings about is worked out from the log. */
export const undoEntry = defineVisitEntry<{ entryId: string }>({
  author: 'anyone',
  undo: 'allowed',
  schema: { entryId: ID },
  text: () => 'Undone',
  initial: {},
  apply: () => ({}),
});
