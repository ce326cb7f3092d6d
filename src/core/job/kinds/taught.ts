import { text, boolean } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { ofServer } from '../entry-fields';

/** The recalibration of the machine’s speed or traction system after the tire change. */
interface TaughtData {
  done: boolean;
  found: string;
  of?: string;
}

export const taughtEntry = defineEntry<
  TaughtData,
  { taught: (TaughtData & { at: string; who: string }) | null }
>({
  ...WHEEL_WORK,
  scope: 'machine',
  schema: () => ({
    done: boolean('Recalibrated'),
    found: text(300, 'What was seen').allow(''),
    of: ofServer,
  }),
  text: ({ done, found }) =>
    `Recalibrated: ${done ? 'done' : 'not done'}${found ? `. ${found}` : ''}`,
  initial: { taught: null },
  apply: (_, { data, at, who }) => ({ taught: { ...data, at, who } }),
});
