import { oneOf, text } from '../../base/fields';
import { type Inspected, INSPECTED, INSPECTED_WORDS } from '../../bench/inspect';
import type { StationId } from '../../base/stations';
import { defineEntry, REMARK } from '../define-entry';
import { maybe, PHOTO_ID } from '../entry-fields';
import { listed } from '../entry-words';

/** A photo the shop keeps, of a part or of anything at the station. */
interface PhotoData {
  photoId: string;
  part: Inspected | null;
  says: string;
}

export const photoEntry = defineEntry<
  PhotoData,
  { photos: (PhotoData & { station: StationId; entryId: string })[] }
>({
  ...REMARK,
  schema: () => ({
    photoId: PHOTO_ID,
    part: maybe(oneOf(INSPECTED, 'Text of the photo')),
    says: text(200, 'What it shows').allow(''),
  }),
  text: ({ part, says }) =>
    listed(['Photo', part && INSPECTED_WORDS[part].toLowerCase(), says], ': '),
  initial: { photos: [] },
  apply: ({ photos }, { data, station, id }) => ({
    photos: [...photos, { ...data, station, entryId: id }],
  }),
});
