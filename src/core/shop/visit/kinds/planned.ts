import { BLOCKS, BLOCK_WORDS, type BlockName } from '../../day';
import { InputError } from '../../../base/errors';
import { instant, oneOf, text } from '../../../base/fields';
import { defineVisitEntry, type VisitWheel } from '../define-entry';
import { checkTakesPart, ID } from '../fields';

/** A block of work given to a person by hand, or, with nulls, left to the day plan again. */
interface PlannedData {
  jobId: string;
  block: BlockName;
  person: string | null;
  startAt: string | null;
}

export const plannedEntry = defineVisitEntry<
  PlannedData,
  { planned: { jobId: string; block: BlockName; person: string; startAt: string }[] },
  { wheels: VisitWheel[] }
>({
  author: 'anyone',
  undo: 'allowed',
  schema: {
    jobId: ID,
    block: oneOf(BLOCKS, 'The block of work'),
    person: text(60, 'Who does it').allow(null),
    startAt: instant('When it begins').allow(null),
  },
  check: ({ jobId, person, startAt }, { wheels }, jobs) => {
    checkTakesPart(wheels, jobId);
    if (jobs.isHandedOver(jobId))
      throw new InputError(
        'data.jobId',
        'This wheel is handed over.',
        'Choose a wheel with work left',
      );
    if ((person === null) !== (startAt === null))
      throw new InputError(
        'data.startAt',
        'A person goes with a time.',
        'Enter both, or leave both out',
      );
  },
  text: ({ jobId, block, person, startAt }, { moment, wheel }) =>
    person === null || startAt === null
      ? `${wheel(jobId)}, ${BLOCK_WORDS[block]}: unpinned`
      : `${wheel(jobId)}, ${BLOCK_WORDS[block]}: ${person} at ${moment(startAt)}`,
  initial: { planned: [] },
  apply: ({ planned }, { data: { jobId, block, person, startAt } }) => {
    const others = planned.filter((p) => p.jobId !== jobId || p.block !== block);
    const isFree = person === null || startAt === null;
    return { planned: isFree ? others : [...others, { jobId, block, person, startAt }] };
  },
});
