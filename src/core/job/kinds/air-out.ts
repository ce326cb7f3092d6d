import { boolean } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, gauge, maybe } from '../entry-fields';

/**
 * The note before a bolt of a clamped wheel is touched; `gaugeKpa` null when the gauge was not
 * read.
 */
interface AirOutData {
  silent: boolean;
  gaugeKpa: number | null;
  coreOut: boolean;
  device?: string | null;
}

export const airOutEntry = defineEntry<AirOutData, { airOut: AirOutData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    silent: boolean('No hiss'),
    gaugeKpa: maybe(gauge),
    coreOut: boolean('Core out'),
    device,
  }),
  text: ({ silent, gaugeKpa, coreOut, device }, { q, by }) =>
    `Air out: core ${coreOut ? 'out' : 'in'}, ${silent ? 'silent' : 'not silent'}, gauge ${gaugeKpa === null ? 'not read' : `${q(gaugeKpa, 'kPa')}${by(device)}`}`,
  initial: { airOut: null },
  apply: (_, { data }) => ({ airOut: data }),
});
