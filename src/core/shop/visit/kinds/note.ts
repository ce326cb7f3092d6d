import { text } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';

/** A free note on a visit. */
export const noteEntry = defineVisitEntry<
  { text: string },
  { notes: { text: string; who: string; at: string }[] }
>({
  author: 'anyone',
  undo: 'allowed',
  schema: { text: text(2000, 'The note') },
  text: (data) => `Note: ${data.text}`,
  initial: { notes: [] },
  apply: ({ notes }, { data, who, at }) => ({ notes: [...notes, { text: data.text, who, at }] }),
});
