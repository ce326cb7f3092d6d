import { joiResolver } from '@hookform/resolvers/joi';
import Joi from 'joi';
import {
  useFieldArray,
  useForm,
  useWatch,
  type Control,
  type FieldArrayWithId,
} from 'react-hook-form';
import { mayDo } from '../../../core/shop/auth';
import { readyOf, recheckDates, type OldTire, type Recheck } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { needed } from '../../shared/form-schema';
import { useApproval, type ApprovalAtHand } from '../../shared/use-approval';
import { today, useApp, useDo } from '../../store';
import type { Writing } from '../../store/job-writing';
import { shopChanged } from '../../store/records-api';

interface HandOverForm {
  to: string;
  rechecks: Recheck[];
  oldTire: '' | OldTire;
  despiteBy: string;
  despiteWhy: string;
}

/** The form of a hand-over. */
interface HandOverAtHand {
  control: Control<HandOverForm>;
  rechecks: FieldArrayWithId<HandOverForm, 'rechecks'>[];
  /** A safety check is open: it takes a name and a reason. */
  isDespite: boolean;
  /** The role of the person signed in allows it; anyone may at a shop where no one signs in. */
  mayHandOver: boolean;
  /** The name typed under Released by, and the approval that another person gives for it. */
  releasedBy: string;
  approval: ApprovalAtHand;
  submit(): Promise<void>;
}

const schema = (isDespite: boolean) =>
  Joi.object({
    to: needed('Enter who takes it.', 80),
    rechecks: Joi.array().items(
      Joi.object({
        what: Joi.string().required(),
        onDate: needed('A recheck has no date. Pick one.', 10),
      }).unknown(),
    ),
    oldTire: Joi.string().allow(''),
    despiteBy: isDespite ? needed('Enter who releases it.', 60) : Joi.string().allow(''),
    despiteWhy: isDespite ? needed('Enter the reason for release.', 300) : Joi.string().allow(''),
  });

/**
 * The person who takes it, the recheck dates, the way of the old tire, and the approval if it
 * leaves unproved.
 */
export const useHandOver = (): HandOverAtHand => {
  const { job, state, write } = useJob();
  const dispatch = useDo();
  const { areClosed, me } = useApp((s) => s.auth);
  const mayHandOver = !areClosed || (me !== null && mayDo(me.role, 'hand over'));
  const done = state.handedOver;
  const isDespite = readyOf(state).result.missing.length > 0;
  const approval = useApproval(job.id, state.rider);
  const { control, handleSubmit, setError } = useForm<HandOverForm>({
    resolver: joiResolver(schema(isDespite), { abortEarly: false }),
    defaultValues: {
      to: done?.to ?? state.rider,
      rechecks: recheckDates(state, (done?.at ?? today()).slice(0, 10)),
      oldTire: done?.oldTire ?? '',
      despiteBy: approval.people[0] ?? done?.despite?.by ?? '',
      despiteWhy: done?.despite?.why ?? '',
    },
  });
  const { fields: rechecks } = useFieldArray({ control, name: 'rechecks' });
  const releasedBy = useWatch({ control, name: 'despiteBy' }).trim();
  const submit = handleSubmit(async ({ to, rechecks: looks, oldTire, despiteBy, despiteWhy }) => {
    const refused = isDespite && mayHandOver ? await approval.approve(despiteBy.trim()) : null;
    if (refused !== null) return setError('despiteBy', { message: refused });
    const again: Writing[] = looks.map(({ what, onDate, look }) => ({
      kind: 'recheck',
      data: { what, onDate, look },
    }));
    const despite = isDespite ? { by: despiteBy.trim(), why: despiteWhy.trim() } : null;
    const over: Writing = {
      kind: 'handed-over',
      data: { to, despite, oldTire: oldTire === '' ? null : oldTire },
    };
    // Parts have left the shelf, and the wheel has its new tire.
    if (mayHandOver && (await write([...again, over], 'Handed over.')))
      await dispatch(shopChanged());
  });
  return { control, rechecks, isDespite, mayHandOver, releasedBy, approval, submit };
};
