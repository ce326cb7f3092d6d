import Joi from 'joi';
import { count, oneOf, quantity } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, maybe } from '../entry-fields';
import { RING_NAMES, RING_WORDS, type RingName } from '../ring-names';

/** A bolt brought to its torque; `rim` for the bolts of a split rim. */
interface RingBoltData {
  ring: RingName;
  pass: 1 | 2;
  bolt: number;
  torqueNm: number | null;
  device?: string | null;
}

export const ringBoltEntry = defineEntry<
  RingBoltData,
  { ringBolts: (RingBoltData & { entryId: string })[] }
>({
  ...WHEEL_WORK,
  schema: () => ({
    ring: oneOf(RING_NAMES, 'Which ring'),
    pass: Joi.number().valid(1, 2).required().meta({ expected: 'Choose pass 1 or 2' }),
    bolt: count(1, 36, 'The bolt'),
    torqueNm: maybe(quantity('Nm', 0.1, 300, 'Torque')),
    device,
  }),
  text: ({ ring, pass, bolt, torqueNm, device }, { q, by }) =>
    `${RING_WORDS[ring]}, ${pass === 1 ? 'first' : 'second'} pass: bolt ${bolt}${torqueNm === null ? '' : ` at ${q(torqueNm, 'Nm')}`}${by(device)}`,
  initial: { ringBolts: [] },
  apply: ({ ringBolts }, { data, id }) => ({ ringBolts: [...ringBolts, { ...data, entryId: id }] }),
});
