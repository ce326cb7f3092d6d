import { angle, oneOf, boolean } from '../../base/fields';
import type { LinePoint } from '../../bench/pressure';
import { mirrored, placeText } from '../../base/units';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import type { SeatingState } from '../seating-state';

/** The molded line at one place: even with the rest, or low. */
type MoldedLineData = LinePoint;

export const moldedLineEntry = defineEntry<MoldedLineData, Pick<SeatingState, 'line'>>({
  ...WHEEL_WORK,
  schema: () => ({
    side: oneOf(['disc', 'other'], 'Which side'),
    deg: angle('Place on the wheel'),
    even: boolean('Even with the rim'),
  }),
  text: ({ side, deg, even }) =>
    `Molded line ${even ? 'even' : 'low'} at ${placeText(side === 'disc' ? deg : mirrored(deg))}, ${side} side`,
  initial: { line: [] },
  apply: ({ line }, { data }) => ({
    line: [...line.filter((p) => p.side !== data.side || p.deg !== data.deg), data],
  }),
});
