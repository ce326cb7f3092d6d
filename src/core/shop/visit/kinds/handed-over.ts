import { InputError } from '../../../base/errors';
import { text } from '../../../base/fields';
import { defineVisitEntry, type VisitWheel } from '../define-entry';

/** The hand-over of the machine, once every wheel is handed over. */
export const handedOverEntry = defineVisitEntry<
  { to: string },
  { handedOver: { to: string; at: string } | null },
  { wheels: VisitWheel[] }
>({
  author: 'anyone',
  undo: 'allowed',
  schema: { to: text(80, 'Who takes it') },
  check: (_data, { wheels }, jobs) => {
    const open = wheels.filter((w) => !jobs.isHandedOver(w.jobId));
    if (open.length > 0)
      throw new InputError(
        'kind',
        `${open.map((w) => w.position).join(' and ')}: not handed over yet.`,
        'Hand over every wheel of the visit first',
      );
  },
  text: ({ to }) => `Handed over to ${to}`,
  initial: { handedOver: null },
  apply: (_, { data, at }) => ({ handedOver: { to: data.to, at } }),
});
