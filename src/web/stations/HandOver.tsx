import { Link } from 'react-router';
import { OLD_TIRES, openPoints, pairDoubts, readyOf } from '../../core/job';
import { LOOK_SHORT } from '../../core/recheck';
import { counted } from '../../core/units';
import { Button } from '../parts/Button';
import { FormChoice, FormText } from '../parts/form-fields';
import { useJob } from '../parts/job-context';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { useMainWorking } from '../parts/working';
import { useVisitOfJobQuery } from '../store/visits-api';
import { KeepTakeOff } from './KeepTakeOff';
import { Gates } from './leave/Gates';
import { Leaving } from './leave/Leaving';
import { OpenPoints } from './leave/OpenPoints';
import { useHandOver } from './leave/use-hand-over';
import { Cautions, JobDial, StationLayout } from './StationLayout';

/** The papers of the wheel, and of all that came in with it. */
const Papers = () => {
  const { job } = useJob();
  const { units } = useUnits();
  const { data: visit } = useVisitOfJobQuery(job.id);
  return (
    <nav aria-label="Papers" className="mt-2 flex flex-wrap gap-2">
      {visit && (
        <Link className="btn btn-small" to={`/visits/${visit.id}/paper`}>
          For the rider
        </Link>
      )}
      <Link className="btn btn-small" to={`/wheels/${job.wheelId}/tag`}>
        Tag
      </Link>
      <Link className="btn btn-small" to={`/jobs/${job.id}/card`}>
        Job card
      </Link>
      <a className="btn btn-small" href={`/api/jobs/${job.id}/card.pdf?${new URLSearchParams({ ...units })}`}>
        PDF
      </a>
      <a className="btn btn-small" href={`/api/jobs/${job.id}/log.csv`}>
        Log, CSV
      </a>
      <a className="btn btn-small" href={`/api/jobs/${job.id}/rechecks.ics`}>
        Rechecks, .ics
      </a>
    </nav>
  );
};

/** What the log proves and what it does not, when to look again, and what goes with the wheel. */
export const HandOver = () => {
  const { state, reports, machineWheels } = useJob();
  const { control, rechecks, isDespite, mayHandOver, submit } = useHandOver();
  const done = state.handedOver;
  const ready = readyOf(state);
  useMainWorking('what the log proves', ready);
  useKeys([{ key: 'n', says: 'Hand over', run: () => void submit() }]);
  const { missing, doubts: ofStations } = openPoints(reports);
  const doubts = [...pairDoubts(state, machineWheels), ...ofStations];
  const unproved = ready.result.missing.length;
  return (
    <StationLayout
      picture={
        <>
          <JobDial className="lg:max-h-[350px]" />
          <div className="mt-2">
            <OpenPoints />
          </div>
          <Papers />
          <div className="mt-2">
            <KeepTakeOff />
          </div>
        </>
      }
      lead={done ? `Handed over to ${done.to} on ${done.at.slice(0, 10)}` : 'Before it leaves'}
      now={
        unproved > 0
          ? `${counted(unproved, 'safety point')} not proved.`
          : doubts.length > 0
            ? `${doubts.length} ${doubts.length === 1 ? 'thing is' : 'things are'} doubtful.`
            : missing.length > 0
              ? 'Something is not written down.'
              : 'Everything is in the log.'
      }
      act={
        <>
          <Gates />
          <Leaving />
        </>
      }
    >
      <form className="mt-2 grid gap-2" noValidate onSubmit={(e) => (e.preventDefault(), void submit())}>
        <div className="grid grid-cols-2 items-end gap-3">
          {rechecks.map((r, i) => (
            <FormText
              key={r.id}
              control={control}
              name={`rechecks.${i}.onDate`}
              type="date"
              label={LOOK_SHORT[r.look]}
            />
          ))}
        </div>
        {isDespite && (
          <fieldset className="grid grid-cols-[130px_1fr] gap-3 border-l-4 border-stop pl-3">
            <legend className="sr-only">Handed over all the same</legend>
            <FormText control={control} name="despiteBy" label="All the same, by" maxLength={60} />
            <FormText control={control} name="despiteWhy" label="Why it leaves like this" maxLength={300} />
          </fieldset>
        )}
        <div className="grid grid-cols-[minmax(0,1fr)_120px_auto] items-end gap-3">
          <FormText control={control} name="to" label="Handed over to" maxLength={80} />
          <FormChoice
            control={control}
            name="oldTire"
            label="Old tire"
            options={[['', 'not said'], ...OLD_TIRES.map((o) => [o, o] as const)]}
          />
          <Button go={!done && !isDespite} type="submit" hotkey="N" disabled={!mayHandOver}>
            {isDespite ? 'All the same' : done ? 'Again' : 'Hand over'}
          </Button>
        </div>
        {!mayHandOver && <p className="text-check">A fitter or owner hands over. Ask one to sign in here.</p>}
      </form>
      <Cautions
        list={['Brake firm before it rolls. New tires are slippery. Bolts and pressure again once it is cool.']}
      />
    </StationLayout>
  );
};
