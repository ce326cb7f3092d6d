import { agreedEntry } from './agreed';
import { handedOverEntry } from './handed-over';
import { noteEntry } from './note';
import { openedEntry } from './opened';
import { plannedEntry } from './planned';
import { promisedEntry } from './promised';
import { undoEntry } from './undo';
import { waitsEntry } from './waits';
import { wantedEntry } from './wanted';
import { wheelAddedEntry } from './wheel-added';
import { wheelRemovedEntry } from './wheel-removed';

/**
 * Every kind of entry of a visit, by the name it has on disk and in the API. A new kind is a file
 * beside this one and a line here.
 */
export const VISIT_KINDS = {
  opened: openedEntry,
  'wheel-added': wheelAddedEntry,
  'wheel-removed': wheelRemovedEntry,
  wanted: wantedEntry,
  promised: promisedEntry,
  agreed: agreedEntry,
  waits: waitsEntry,
  planned: plannedEntry,
  note: noteEntry,
  'handed-over': handedOverEntry,
  undo: undoEntry,
};
