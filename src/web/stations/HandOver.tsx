import { valueWord } from '../../core/base/value-words';
import { Link } from 'react-router';
import { OLD_TIRES, openPoints, pairDoubts, readyOf } from '../../core/job';
import { LOOK_SHORT } from '../../core/job/recheck';
import { counted, dateText } from '../../core/base/units';
import { Button } from '../parts/Button';
import { ApprovalPin } from '../shared/ApprovalPin';
import { FormChoice, FormText } from '../shared/form-fields';
import { useJob } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { useUnits } from '../shared/quantity';
import { useMainWorking } from '../shared/working';
import { useVisitOfJobQuery } from '../store/visits-api';
import { KeepTakeOff } from './KeepTakeOff';
import { SafetyChecks } from './leave/SafetyChecks';
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
          Rider sheet
        </Link>
      )}
      <Link className="btn btn-small" to={`/wheels/${job.wheelId}/tag`}>
        Wheel tag
      </Link>
      <Link className="btn btn-small" to={`/jobs/${job.id}/card`}>
        Job card
      </Link>
      <a
        className="btn btn-small"
        href={`/api/jobs/${job.id}/card.pdf?${new URLSearchParams({ ...units })}`}
      >
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

/** The points the log proves and does not, when to look again, and what goes with the wheel. */
export const HandOver = () => {
  const { state, reports, machineWheels } = useJob();
  const { control, rechecks, isDespite, mayHandOver, releasedBy, approval, submit } = useHandOver();
  const { handedOver: done, withdrawn } = state;
  const ready = readyOf(state);
  useMainWorking('safety checks', ready);
  useKeys([{ key: 'n', label: 'Hand over', run: () => void submit() }]);
  const { missing, doubts: ofStations } = openPoints(reports);
  const doubts = [...pairDoubts(state, machineWheels), ...ofStations];
  const unproved = ready.result.missing.length;
  return (
    <StationLayout
      picture={
        <>
          <JobDial className="lg:max-h-[244px]" letters={1.6} />
          <div className="mt-2">
            <OpenPoints />
          </div>
          <Papers />
          <div className="mt-2">
            <KeepTakeOff />
          </div>
        </>
      }
      lead={
        withdrawn
          ? `Proof withdrawn by ${withdrawn.who}`
          : done
            ? `Handed over to ${done.to} on ${dateText(done.at)}`
            : 'Final check'
      }
      now={
        withdrawn
          ? `Not on record anymore: ${withdrawn.points.map((p) => p.says.toLowerCase()).join('; ')}. Check it and release it again.`
          : done
            ? 'Handed over.'
            : unproved > 0
              ? `${counted(unproved, 'safety check')} not on record.`
              : doubts.length > 0
                ? `${counted(doubts.length, 'thing')} to check.`
                : missing.length > 0
                  ? 'Some entries are missing.'
                  : 'Everything is on record.'
      }
      act={
        <>
          <SafetyChecks />
          <Leaving />
        </>
      }
    >
      <form
        className="mt-2 grid gap-2"
        noValidate
        onSubmit={(e) => (e.preventDefault(), void submit())}
      >
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
            <legend className="sr-only">Release with open safety checks</legend>
            {approval.people.length > 0 ? (
              <FormChoice
                control={control}
                name="despiteBy"
                label="Released by"
                options={approval.people.map((p) => [p, p] as const)}
              />
            ) : (
              <FormText control={control} name="despiteBy" label="Released by" maxLength={60} />
            )}
            <FormText
              control={control}
              name="despiteWhy"
              label="Reason for release"
              maxLength={300}
            />
            <div className="col-span-2">
              <ApprovalPin approval={approval} name={releasedBy} />
            </div>
          </fieldset>
        )}
        <div className="flex flex-wrap items-end gap-3">
          <div className="min-w-0 flex-1 basis-24">
            <FormText control={control} name="to" label="Handed over to" maxLength={80} />
          </div>
          <div className="w-[120px]">
            <FormChoice
              control={control}
              name="oldTire"
              label="Old tire"
              options={[['', 'not set'], ...OLD_TIRES.map((o) => [o, valueWord(o)] as const)]}
            />
          </div>
          <Button
            go={(!done || withdrawn !== null) && !isDespite}
            type="submit"
            {...(isDespite ? {} : { hotkey: 'N' })}
            disabled={!mayHandOver}
          >
            {isDespite ? 'Release anyway' : done ? 'Hand over again' : 'Hand over'}
          </Button>
        </div>
        {!mayHandOver && (
          <p className="text-check">A fitter or owner hands over. Ask one to sign in here.</p>
        )}
      </form>
      <Cautions
        list={[
          'Brake firm before it rolls. New tires are slippery. Bolts and pressure again once it is cool.',
        ]}
      />
    </StationLayout>
  );
};
