import { InputError } from '../../../base/errors';
import { instant } from '../../../base/fields';
import { defineVisitEntry } from '../define-entry';

/** When the machine is promised for, ISO 8601; null before a promise. */
export const promisedEntry = defineVisitEntry<{ dueAt: string }, { dueAt: string | null }>({
  author: 'anyone',
  undo: 'allowed',
  schema: { dueAt: instant('When it is to be done') },
  check: ({ dueAt }, _state, _jobs, nowIso) => {
    if (dueAt < nowIso)
      throw new InputError(
        'data.dueAt',
        'The promised time has passed.',
        'Enter a day and time still to come',
      );
  },
  text: ({ dueAt }, { moment }) => `Promised for ${moment(dueAt)}`,
  initial: { dueAt: null },
  apply: (_, { data }) => ({ dueAt: data.dueAt }),
});
