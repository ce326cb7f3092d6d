import { marking, oneOf, quantity } from '../../base/fields';
import { type Use, USE_WORDS, USES } from '../../bench/pressure';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { dateCode, device, maybe } from '../entry-fields';
import { listed } from '../entry-words';

/** The tire that comes off. */
interface CameOffData {
  marking: string;
  dateCode: string | null;
  treadMm: number | null;
  use: Use;
  treadBy?: string | null;
}

export const cameOffEntry = defineEntry<CameOffData, { cameOff: CameOffData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    marking: marking('Old tire size'),
    dateCode: maybe(dateCode),
    treadMm: maybe(quantity('tread', 0, 40, 'Tread depth')),
    use: oneOf(USES, 'Use'),
    treadBy: device,
  }),
  text: ({ marking, dateCode, treadMm, use, treadBy }, { q, by }) => {
    const tread = treadMm !== null && `tread ${q(treadMm, 'tread')}${by(treadBy)}`;
    return `Came off: ${listed([marking, dateCode && `date code ${dateCode}`, tread, USE_WORDS[use]])}`;
  },
  initial: { cameOff: null },
  apply: (_, { data }) => ({ cameOff: data }),
});
