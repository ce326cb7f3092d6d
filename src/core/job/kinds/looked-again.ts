import { quantity, text, boolean } from '../../base/fields';
import { defineEntry, REMARK } from '../define-entry';
import { device, gauge, maybe } from '../entry-fields';

/** A recheck that was done: what it was for, whether it was OK, and the readings. */
interface LookedAgainData {
  what: string;
  good: boolean;
  found: string;
  gaugeKpa: number | null;
  tempC: number | null;
  device?: string | null;
}

/** A recheck that was done, by whom and when, ISO 8601. */
export type LookedAgain = LookedAgainData & { at: string; who: string };

export const lookedAgainEntry = defineEntry<LookedAgainData, { lookedAgain: LookedAgain[] }>({
  ...REMARK,
  schema: () => ({
    what: text(120, 'What was checked'),
    good: boolean('OK'),
    found: text(300, 'What was found').allow(''),
    gaugeKpa: maybe(gauge).optional().default(null),
    tempC: maybe(quantity('C', -60, 60, 'Temperature of the tire'))
      .optional()
      .default(null),
    device,
  }),
  text: ({ what, good, found, gaugeKpa, tempC, device }, { q, by }) => {
    const read =
      gaugeKpa === null
        ? ''
        : `, ${q(gaugeKpa, 'kPa')}${tempC === null ? '' : ` at ${q(tempC, 'C')}`}${by(device)}`;
    return `Recheck: ${what}: ${good ? 'OK' : 'problem found'}${read}${found ? `. ${found}` : ''}`;
  },
  initial: { lookedAgain: [] },
  apply: ({ lookedAgain }, { data, at, who }) => ({
    lookedAgain: [...lookedAgain, { ...data, at, who }],
  }),
});
