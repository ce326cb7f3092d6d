import { type RungSpoke, SPOKES_FIELD } from '../../bench/truing';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** Spokes that were tapped, counted from the valve, clockwise from the disc side. */
interface SpokeRingData {
  spokes: RungSpoke[];
}

export const spokeRingEntry = defineEntry<SpokeRingData, { spokeRing: SpokeRingData | null }>({
  ...WHEEL_WORK,
  schema: () => ({ spokes: SPOKES_FIELD }),
  text: ({ spokes }) => {
    const dull = spokes.filter((s) => s.sounds === 'dull').map((s) => s.spoke);
    return `Spokes rung: ${dull.length > 0 ? `dull ${dull.join(', ')}` : 'none dull'}`;
  },
  initial: { spokeRing: null },
  apply: (_, { data }) => ({ spokeRing: data }),
  steps: () => ['in-spokes'],
});
