import { joiResolver } from '@hookform/resolvers/joi';
import Joi from 'joi';
import { useFieldArray, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { openPoints, pairDoubts, recheckDates, type Recheck } from '../../core/job';
import { Button } from '../parts/Button';
import { FormText } from '../parts/form-fields';
import { needed } from '../parts/form-schema';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { VerdictMark, VerdictShape } from '../parts/VerdictMark';
import { useJob } from '../parts/job-context';
import { today, useDo } from '../store';
import type { Writing } from '../store/job-writing';
import { loadShop } from '../store/shop-slice';
import { KeepTakeOff } from './KeepTakeOff';
import { Cautions, JobDial, StationLayout } from './StationLayout';

interface HandOverForm {
  to: string;
  rechecks: Recheck[];
}

const SCHEMA = Joi.object({
  to: needed('Say who takes it.', 80),
  rechecks: Joi.array().items(
    Joi.object({ what: Joi.string().required(), onDate: needed('A recheck has no date. Pick one.', 10) }).unknown(),
  ),
});

/** What is missing or doubtful, when to look again, and what goes with the wheel. */
export const HandOver = () => {
  const { job, state, reports, shop, write } = useJob();
  const dispatch = useDo();
  const { units } = useUnits();
  const { missing, doubts: ofStations } = openPoints(reports);
  const doubts = [...pairDoubts(state, shop.wheels), ...ofStations];
  const done = state.handedOver;
  const { control, handleSubmit } = useForm<HandOverForm>({
    resolver: joiResolver(SCHEMA, { abortEarly: false }),
    defaultValues: { to: done?.to ?? state.rider, rechecks: recheckDates(state, (done?.at ?? today()).slice(0, 10)) },
  });
  const { fields: rechecks } = useFieldArray({ control, name: 'rechecks' });

  const handOver = handleSubmit(async ({ to, rechecks: looks }) => {
    const again: Writing[] = looks.map(({ what, onDate, look }) => ({ kind: 'recheck', data: { what, onDate, look } }));
    // Parts have left the shelf, and the wheel has its new tire.
    if (await write([...again, { kind: 'handed-over', data: { to } }], 'Handed over.')) await dispatch(loadShop());
  });
  useKeys([{ key: 'n', says: 'Hand over', run: () => void handOver() }]);

  const pdf = `/api/jobs/${job.id}/card.pdf?${new URLSearchParams({ ...units })}`;
  return (
    <StationLayout
      picture={<JobDial />}
      lead={done ? `Handed over to ${done.to} on ${done.at.slice(0, 10)}` : 'Before it leaves'}
      now={
        doubts.length > 0
          ? `${doubts.length} ${doubts.length === 1 ? 'thing is' : 'things are'} doubtful.`
          : missing.length > 0
            ? 'Something is not written down.'
            : 'Everything is in the log.'
      }
      act={
        doubts.length + missing.length > 0 ? (
          <ul className="rows relative max-h-[126px] overflow-y-auto" aria-label="Doubtful or missing" tabIndex={0}>
            {doubts.map((d) => (
              <li key={d} className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
                <VerdictShape verdict="check" size={20} />
                <span>
                  <span className="sr-only">Doubtful: </span>
                  {d}
                </span>
              </li>
            ))}
            {missing.map((m) => (
              <li key={m} className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
                <span
                  className="mt-1 h-4 w-5 shrink-0 rounded-b-lg border-2 border-t-0 border-edge"
                  aria-hidden="true"
                />
                <span>
                  <span className="sr-only">Missing: </span>
                  {m}
                </span>
              </li>
            ))}
          </ul>
        ) : (
          <VerdictMark verdict="good">nothing missing, nothing doubtful</VerdictMark>
        )
      }
    >
      <form className="mt-2 grid gap-2" noValidate onSubmit={(e) => void handOver(e)}>
        <div className="grid grid-cols-2 items-end gap-3">
          {rechecks.map((r, i) => (
            <FormText
              key={r.id}
              control={control}
              name={`rechecks.${i}.onDate`}
              type="date"
              label={`Look again: ${r.what.toLowerCase()}`}
            />
          ))}
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
          <FormText control={control} name="to" label="Handed over to" maxLength={80} />
          <Button go={!done} type="submit" hotkey="N">
            {done ? 'Again' : 'Hand over'}
          </Button>
        </div>
        <KeepTakeOff />
      </form>
      <nav aria-label="Papers" className="mt-2 flex flex-wrap gap-2">
        <Link className="btn btn-small" to={`/jobs/${job.id}/card`}>
          Job card
        </Link>
        <a className="btn btn-small" href={pdf}>
          PDF
        </a>
        <a className="btn btn-small" href={`/api/jobs/${job.id}/log.csv`}>
          Log, CSV
        </a>
        <a className="btn btn-small" href={`/api/jobs/${job.id}/rechecks.ics`}>
          Rechecks, .ics
        </a>
      </nav>
      <Cautions
        list={[
          'Brake firm before it rolls. Test ride with care: new tires are slippery.',
          'After the ride and once cool: bolts and pressure again.',
        ]}
      />
    </StationLayout>
  );
};
