import { count, listOf, marking, oneOf, quantity, record, text, boolean } from '../../base/fields';
import { type Tread, TREADS } from '../../fit/tires';
import { type Arrows, ARROWS } from '../../fit/tires';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { dateCode, id, maybe } from '../entry-fields';
import { listed } from '../entry-words';

/** The tire and tube that go on. */
interface ChosenData {
  marking: string;
  dateCode: string | null;
  tireId: string | null;
  tube: boolean;
  tubeId: string | null;
  tubeLabel: string | null;
  lightMark: boolean;
  seatLimitKpa: number | null;
  tread: Tread;
  arrows: Arrows;
  takeOff: boolean;
  treadMm: number | null;
  /** The shopping list as it was decided. */
  parts: { what: string; count: number; stockId: string | null }[];
  /** The old tube goes round the new one as a sleeve. */
  doubled: boolean;
}

/** Values of fields that an earlier version did not write. */
const EARLIER = {
  tread: 'other',
  arrows: 'one',
  takeOff: false,
  treadMm: null,
  parts: [],
  doubled: false,
} as const;

export const chosenEntry = defineEntry<ChosenData, { chosen: ChosenData | null }>({
  ...WHEEL_WORK,
  stock: 'parts',
  schema: () => ({
    marking: marking('New tire size'),
    dateCode: maybe(dateCode),
    tireId: maybe(id),
    tube: boolean('With a tube'),
    tubeId: maybe(id),
    tubeLabel: maybe(text(80, 'The tube’s label')),
    lightMark: boolean('The tire has a light mark'),
    seatLimitKpa: maybe(quantity('kPa', 20, 1000, 'Seating limit on the sidewall')),
    tread: oneOf(TREADS, 'Tread use').optional().default('other'),
    arrows: oneOf(ARROWS, 'Arrows on the sidewall').optional().default('one'),
    takeOff: boolean('A take-off').optional().default(false),
    treadMm: maybe(quantity('tread', 0, 40, 'Depth of a take-off'))
      .optional()
      .default(null),
    parts: listOf(
      record(
        { what: text(120, 'What it is'), count: count(1, 1000, 'Count'), stockId: maybe(id) },
        'A part',
      ),
      60,
      'Parts',
    )
      .optional()
      .default([]),
    doubled: boolean('Doubled tube').optional().default(false),
  }),
  text: ({ marking, dateCode, tube, tubeLabel, doubled }) => {
    const inside = tube
      ? `tube ${tubeLabel ?? 'not picked'}${doubled ? ', doubled' : ''}`
      : 'tubeless';
    return `Going on: ${listed([marking, dateCode && `date code ${dateCode}`, inside])}`;
  },
  initial: { chosen: null },
  apply: (_, { data }) => ({ chosen: { ...EARLIER, ...data } }),
});
