import Joi from 'joi';
import { oneOf, quantity, text } from '../../base/fields';
import { type Lubricant, LUBRICANTS } from '../../bench/torque';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, maybe } from '../entry-fields';
import { listed } from '../entry-words';

/**
 * A fastener that was tightened. `pass` 2 is the second pass; `thread` is what is on its threads
 * when the spec is for dry ones.
 */
interface TorquedData {
  fastener: string;
  how: 'torqued' | 'snug' | 'guess';
  torqueNm: number | null;
  wrench: string | null;
  device?: string | null;
  pass?: 1 | 2;
  thread?: Lubricant | null;
  /** An extension head in line with the handle. */
  extensionMm?: number | null;
}

export const torquedEntry = defineEntry<
  TorquedData,
  { torqued: Record<string, TorquedData>; secondRound: string[] }
>({
  ...WHEEL_WORK,
  schema: () => ({
    fastener: text(60, 'The fastener'),
    how: oneOf(['torqued', 'snug', 'guess'], 'How it was tightened'),
    torqueNm: maybe(quantity('Nm', 0.1, 1000, 'Torque')),
    wrench: maybe(text(60, 'The wrench')),
    device,
    pass: Joi.number().valid(1, 2).optional().default(1).meta({ expected: 'Choose pass 1 or 2' }),
    thread: maybe(oneOf(LUBRICANTS, 'On its threads')).optional().default(null),
    extensionMm: maybe(quantity('mm', 0, 1000, 'In-line extension'))
      .optional()
      .default(null),
  }),
  text: ({ fastener, how, torqueNm, wrench, device, pass, thread, extensionMm }, { q }) => {
    const value = torqueNm === null ? '' : ` ${q(torqueNm, 'Nm')}`;
    const head = extensionMm ? `${q(extensionMm, 'mm')} extension` : null;
    const more = listed([
      wrench,
      head,
      thread && `${thread} on the threads`,
      device && 'read from the wrench',
    ]);
    return `${fastener}: ${how}${value}${pass === 2 ? ', second pass' : ''}${more ? `, ${more}` : ''}`;
  },
  initial: { torqued: {}, secondRound: [] },
  apply: ({ torqued, secondRound }, { data }) => ({
    torqued: { ...torqued, [data.fastener]: data },
    secondRound:
      data.pass === 2
        ? [...new Set([...secondRound, data.fastener])]
        : secondRound.filter((f) => f !== data.fastener),
  }),
});
