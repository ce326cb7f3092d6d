import { dateText } from '../../core/base/units';
import { useJob } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { useUnits } from '../shared/quantity';
import { useWheelRecord } from '../shared/use-wheel-record';
import { useMainWorking } from '../shared/working';
import { IntakeForm } from './intake/IntakeForm';
import { useIntake } from './intake/use-intake';
import { JobDial, StationLayout } from './StationLayout';

/** The findings of this wheel’s last job, in a line; null for a wheel without one. */
const useLastTime = (): string | null => {
  const { job, wheel } = useJob();
  const { tell } = useUnits();
  const { record } = useWheelRecord(wheel.id);
  const last = record?.history.life.find((event) => event.jobId !== job.id && event.by !== null);
  return last ? `Last time, ${dateText(last.onDate)}: ${last.facts.map(tell).join('; ')}.` : null;
};

/** The tire that comes off, and the machine's use. */
export const Intake = () => {
  const { machine, write, goTo } = useJob();
  const intake = useIntake();
  const lastTime = useLastTime();
  useMainWorking('the old size', intake.size.ok ? intake.size.working : null);
  const save = async () => {
    const writings = intake.writings();
    if (writings && (await write(writings, 'Intake saved.'))) goTo('choose');
  };
  useKeys([{ key: 'n', label: 'Save and go on', run: () => void save() }]);

  return (
    <StationLayout
      picture={
        <>
          <JobDial
            className={lastTime ? 'lg:max-h-[calc(100dvh-240px)]' : 'lg:max-h-[calc(100dvh-180px)]'}
          />
          {lastTime && <p className="mt-2 text-[16px] text-ink2">{lastTime}</p>}
        </>
      }
      lead={`${machine.rider}’s wheel comes in`}
      now="What comes off?"
      act={<IntakeForm intake={intake} onSave={() => void save()} />}
    />
  );
};
