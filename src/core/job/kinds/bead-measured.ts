import { oneOf } from '../../base/fields';
import { BEAD_SIDES, type BeadMeasured, type BeadSide } from '../../bench/ring';
import type { Wheel } from '../../fit/wheels';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { caliperReadings, device } from '../entry-fields';
import { listed } from '../entry-words';

/**
 * Thickness of a bead bundle and gap of its seated ring, at several places. The gap of the outer
 * ring belongs to the wheel.
 */
type BeadMeasuredData = BeadMeasured & { device?: string | null };

const withGap = (wheel: Wheel | null, { side, gapMm }: BeadMeasuredData): Wheel | null =>
  wheel && side === 'outer' && gapMm.length > 0
    ? { ...wheel, ringGapMm: gapMm.reduce((a, b) => a + b, 0) / gapMm.length }
    : wheel;

export const beadMeasuredEntry = defineEntry<
  BeadMeasuredData,
  { beads: Partial<Record<BeadSide, BeadMeasuredData>> },
  { wheel: Wheel | null }
>({
  ...WHEEL_WORK,
  schema: () => ({
    side: oneOf(BEAD_SIDES, 'Which bead'),
    bundleMm: caliperReadings('Thickness of the bundle'),
    gapMm: caliperReadings('Gap of the ring'),
    device,
  }),
  text: ({ side, bundleMm, gapMm, device }, { q, by }) => {
    const span = (list: readonly number[]) => listed(list.map((mm) => q(mm, 'mm', 2)));
    return `${side === 'inner' ? 'Inner' : 'Outer'} bead: bundle ${span(bundleMm)}; gap ${span(gapMm)}${by(device)}`;
  },
  initial: { beads: {} },
  apply: ({ beads, wheel }, { data }) => ({
    beads: { ...beads, [data.side]: data },
    wheel: withGap(wheel, data),
  }),
});
