import { text } from '../../base/fields';
import type { StationId } from '../../base/stations';
import { defineEntry, REMARK } from '../define-entry';

/** A free note at a station. */
interface NoteData {
  text: string;
}

export const noteEntry = defineEntry<
  NoteData,
  { notes: { text: string; station: StationId; who: string; at: string; entryId: string }[] }
>({
  ...REMARK,
  schema: () => ({ text: text(2000, 'The note') }),
  text: ({ text }) => `Note: ${text}`,
  initial: { notes: [] },
  apply: ({ notes }, { data, station, who, at, id }) => ({
    notes: [...notes, { text: data.text, station, who, at, entryId: id }],
  }),
});
