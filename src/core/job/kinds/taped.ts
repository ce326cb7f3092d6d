import { count, quantity } from '../../base/fields';
import type { TapeReading } from '../../bench/ring';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device } from '../entry-fields';

/** Circumference by a tape around the middle of the tread. */
type TapedData = TapeReading & { device?: string | null };

export const tapedEntry = defineEntry<
  TapedData,
  { tapes: (TapedData & { at: string; entryId: string })[] }
>({
  ...WHEEL_WORK,
  schema: () => ({
    run: count(0, 500, 'Runs so far'),
    circumferenceMm: quantity('mm', 300, 4000, 'Circumference by tape'),
    gaugeKpa: quantity('kPa', 5, 400, 'Pressure'),
    device,
  }),
  text: ({ run, circumferenceMm, gaugeKpa, device }, { q, by }) =>
    `Rollout ${run === 0 ? 'before the first run' : `after run ${run}`}: ${q(circumferenceMm, 'mm')} at ${q(gaugeKpa, 'kPa')}${by(device)}`,
  initial: { tapes: [] },
  apply: ({ tapes }, { data, at, id }) => ({ tapes: [...tapes, { ...data, at, entryId: id }] }),
});
