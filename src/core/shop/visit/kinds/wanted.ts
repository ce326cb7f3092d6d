import { text } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';

/** The work the rider requested. */
export const wantedEntry = defineVisitEntry<{ text: string }, { wanted: string }>({
  author: 'anyone',
  undo: 'allowed',
  schema: { text: text(500, 'Work requested') },
  text: (data) => `Requested: ${data.text}`,
  initial: { wanted: '' },
  apply: (_, { data }) => ({ wanted: data.text }),
});
