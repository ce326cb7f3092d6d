import Joi from 'joi';
import {
  eighthsText,
  FIRST_TO_FIELD,
  type FirstTo,
  type RunoutReading,
  type Turned,
  TURNED_FIELD,
} from '../../bench/truing';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import type { RunoutData } from './runout';
import { listed } from '../entry-words';

/** Nipples turned in one pass; the rim is read again after it. */
interface NipplesTurnedData {
  turned: Turned[];
  firstTo: FirstTo;
}

/** Nipples turned since the rim was read, and how it read then. */
interface Trued {
  readings: RunoutReading[];
  turned: Turned[];
  firstTo: FirstTo;
}

/** The turns of a pass: turns since the last readings add up. */
const truedBy = (
  { runout, trued }: { runout: RunoutData | null; trued: Trued | null },
  { turned, firstTo }: NipplesTurnedData,
): Trued => {
  if (runout || !trued) return { readings: runout?.readings ?? [], turned, firstTo };
  const more = new Map(trued.turned.map((n) => [n.spoke, n.eighths]));
  for (const { spoke, eighths } of turned) more.set(spoke, (more.get(spoke) ?? 0) + eighths);
  return { ...trued, turned: [...more].map(([spoke, eighths]) => ({ spoke, eighths })), firstTo };
};

export const nipplesTurnedEntry = defineEntry<
  NipplesTurnedData,
  { trued: Trued | null },
  { runout: RunoutData | null }
>({
  ...WHEEL_WORK,
  schema: () => ({ turned: (TURNED_FIELD as Joi.ArraySchema).min(1), firstTo: FIRST_TO_FIELD }),
  text: ({ turned }) =>
    `Nipples turned: ${listed(turned.map((n) => `${n.spoke} ${n.eighths > 0 ? 'tighter' : 'looser'} by ${eighthsText(n.eighths)}`))}`,
  initial: { trued: null },
  apply: (state, { data }) => ({ runout: null, trued: truedBy(state, data) }),
});
