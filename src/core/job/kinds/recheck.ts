import { dateText } from '../../base/units';
import { date, oneOf, text } from '../../base/fields';
import { JOB_LOOKS, type JobLook } from '../recheck';
import { defineEntry, REMARK } from '../define-entry';

/**
 * A recheck that is due on a day; `look` says which readings close it, and is missing in entries of
 * an earlier version.
 */
interface RecheckData {
  what: string;
  onDate: string;
  look?: JobLook;
}

export const recheckEntry = defineEntry<RecheckData, { rechecks: RecheckData[] }>({
  ...REMARK,
  schema: () => ({
    what: text(120, 'What to recheck'),
    onDate: date('When'),
    look: oneOf(JOB_LOOKS, 'Which readings close it').optional(),
  }),
  text: ({ what, onDate }) => `Recheck on ${dateText(onDate)}: ${what}`,
  initial: { rechecks: [] },
  apply: ({ rechecks }, { data }) => ({
    rechecks: [...rechecks.filter((r) => r.what !== data.what), data],
  }),
});
