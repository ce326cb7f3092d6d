import { angle, listOf, oneOf, quantity, record } from '../../base/fields';
import {
  BEAD_SIDES,
  type BeadSide,
  GAP_TIMES,
  type GapReading,
  type GapTime,
} from '../../bench/ring';
import { counted } from '../../base/units';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** Feeler readings around a ring. */
interface RingGapData {
  ring: BeadSide;
  when: GapTime;
  readings: GapReading[];
}

export const ringGapEntry = defineEntry<RingGapData, { ringGaps: RingGapData[] }>({
  ...WHEEL_WORK,
  schema: () => ({
    ring: oneOf(BEAD_SIDES, 'Which ring'),
    when: oneOf(GAP_TIMES, 'When it was measured'),
    readings: listOf(
      record(
        { deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 60, 'Gap there') },
        'A reading',
      ),
      48,
      'Feeler gauge readings',
    ),
  }),
  text: ({ ring, when, readings }, { q }) => {
    const gaps = readings.map((r) => r.gapMm);
    return `${ring === 'inner' ? 'Inner' : 'Outer'} ring, ${when}: gap ${q(Math.min(...gaps), 'mm', 2)} to ${q(Math.max(...gaps), 'mm', 2)} at ${counted(gaps.length, 'place')}`;
  },
  initial: { ringGaps: [] },
  apply: ({ ringGaps }, { data }) => ({ ringGaps: [...ringGaps, data] }),
});
