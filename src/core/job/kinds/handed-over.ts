import { oneOf, record, text } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';

/** The hand-over. `despite` names who released the wheel with open safety checks, and why. */
interface HandedOverData {
  to: string;
  despite?: { by: string; why: string } | null;
  oldTire?: OldTire | null;
}

/** The ways the tire that came off can go. */
export const OLD_TIRES = ['recycled', 'kept', 'given back'] as const;
export type OldTire = (typeof OLD_TIRES)[number];

export const handedOverEntry = defineEntry<
  HandedOverData,
  { handedOver: (Required<HandedOverData> & { at: string; who: string }) | null }
>({
  ...WHEEL_WORK,
  stock: 'parts',
  right: 'hand over',
  schema: () => ({
    to: text(80, 'Who took it'),
    despite: maybe(
      record(
        { by: text(60, 'Who releases it'), why: text(300, 'Why') },
        'Release with open safety checks',
      ),
    )
      .optional()
      .default(null),
    oldTire: maybe(oneOf(OLD_TIRES, 'The old tire')).optional().default(null),
  }),
  text: ({ to, despite, oldTire }) =>
    `Handed over to ${to}${oldTire ? `, old tire ${oldTire}` : ''}${despite ? `, released with open safety checks by ${despite.by}: ${despite.why}` : ''}`,
  initial: { handedOver: null },
  apply: (_, { data, at, who }) => ({
    handedOver: { despite: null, oldTire: null, ...data, at, who },
  }),
  people: ({ despite }) => (despite ? [despite.by] : []),
});
