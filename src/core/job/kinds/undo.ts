import { STATION_WORDS } from '../../base/stations';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { id } from '../entry-fields';

/** Takes an earlier entry out of effect; what it brings about is worked out from the log. */
interface UndoData {
  entryId: string;
}

export const undoEntry = defineEntry<UndoData>({
  ...WHEEL_WORK,
  stock: 'parts',
  schema: () => ({ entryId: id }),
  text: (_data, _words, { station }) => `Undone in ${STATION_WORDS[station]}`,
  initial: {},
  apply: () => ({}),
});
