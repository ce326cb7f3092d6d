import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { wheelTrends } from '../../core/job';
import { counted } from '../../core/base/units';
import { POSITION_WORDS, wheelEnd, type Wheel } from '../../core/fit/wheels';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { TireSection } from '../pictures/TireSection';
import { SectionDrawing } from '../pictures/SectionDrawing';
import { Spoken } from '../shared/Spoken';
import { WheelDial } from '../pictures/WheelDial';
import { useApp, useDo } from '../store';
import { openJob } from '../store/job-writing';
import { announce } from '../store/jobs-slice';
import { LookSheet } from './recheck/LookSheet';
import { WheelRechecks } from './recheck/WheelRechecks';
import { RecordSheet } from './records/RecordSheet';
import { PressureRecord } from './wheel/PressureRecord';
import { TreadWear } from './wheel/TreadWear';
import { WheelFacts } from './wheel/WheelFacts';
import { WheelLife } from './wheel/WheelLife';
import { wheelMarks } from './wheel/wheel-marks';
import { WheelTrends } from './wheel/WheelTrends';
import { useRecordQuery } from '../store/records-api';
import { useWheelRecord } from '../shared/use-wheel-record';

/** Everything known of a wheel, on its dial and in words, and the jobs that knew it. */
export const WheelScreen = () => {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const dispatch = useDo();
  const who = useApp((s) => s.prefs.who);
  const { units } = useUnits();
  const { currentData } = useRecordQuery({ kind: 'wheels', id });
  const kept = currentData as Wheel | undefined;
  const { record, problem } = useWheelRecord(id, kept?.version);
  const [sideUp, setSideUp] = useState<'disc' | 'other'>('disc');
  const [editing, setEditing] = useState(false);
  const start = async () => {
    try {
      const jobId = await dispatch(openJob({ machineId: kept!.machineId, wheelId: id })).unwrap();
      await navigate(`/jobs/${jobId}/intake`);
    } catch (error) {
      dispatch(announce({ text: (error as Error).message, tone: 'stop' }));
    }
  };
  if (problem)
    return (
      <Frame title="Wheel">
        <Failed message={problem}>
          <Link className="btn" to="/records/wheels">
            All wheels
          </Link>
        </Failed>
      </Frame>
    );
  if (!record || !kept)
    return (
      <Frame title="Wheel">
        <Waiting what="Loading wheel" />
      </Frame>
    );
  const { machine, jobs, history } = record;
  return (
    <Frame
      title={`${POSITION_WORDS[kept.position]}, ${machine.name}`}
      actions={
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setEditing(true)}>Change</Button>
          <Link className="btn" to={`/wheels/${id}/tag`}>
            Wheel tag
          </Link>
          {kept.pair && (
            <Link className="btn" to={`/wheels/${id}/pair`}>
              Driven pair
            </Link>
          )}
          <Link
            className="btn"
            to={`/bench/sizes?${new URLSearchParams([
              ['size', kept.tireMarking],
              ['size', kept.tireMarking],
              ['wheel', id],
            ])}`}
          >
            Compare sizes
          </Link>
          <Button go disabled={!who} onClick={() => void start()}>
            Start a job
          </Button>
        </div>
      }
    >
      <div className="grid gap-x-8 lg:grid-cols-[minmax(0,480px)_minmax(0,1fr)]">
        <section aria-label="The wheel">
          <WheelDial
            wheel={kept}
            drive={kept.position.includes('front') ? undefined : machine}
            marks={wheelMarks(kept, record)}
            sideUp={sideUp}
            tireOn
            className="w-full lg:max-h-[calc(100dvh-280px)]"
          />
          <Button
            small
            className="mt-2"
            onClick={() => setSideUp((s) => (s === 'disc' ? 'other' : 'disc'))}
          >
            Turn wheel over
          </Button>
          <TireSection wheel={kept} className="mt-2 w-full" />
          <SectionDrawing wheel={kept} className="mt-4 w-full" />
          {kept.overallWidthMm !== null && kept.backspaceMm !== null && (
            <a
              className="inline-flex min-h-12 items-center"
              href={`/api/wheels/${id}/section.svg?${new URLSearchParams({ ...units })}`}
            >
              Cross-section, SVG
            </a>
          )}
        </section>
        <section>
          <WheelFacts wheel={kept} history={history} />
          <WheelRechecks wheelId={id} />
          <TreadWear wheel={kept} />
          <PressureRecord
            wheel={kept}
            placardKpa={
              wheelEnd(kept.position) === 'front' ? machine.placardFrontKpa : machine.placardRearKpa
            }
          />
        </section>
      </div>
      <WheelTrends trends={wheelTrends(history)} />
      <WheelLife life={history.life} />
      {jobs.length > history.life.length && (
        <p className="mt-2">
          <Link to={`/jobs?search=${encodeURIComponent(machine.name)}`}>
            {counted(jobs.length - history.life.length, 'earlier job')}
          </Link>
        </p>
      )}
      {jobs.length === 0 && <p className="mt-6 text-ink2">No job yet.</p>}
      <Spoken />
      <LookSheet />
      {editing && <RecordSheet kind="wheels" record={kept} onDone={() => setEditing(false)} />}
    </Frame>
  );
};
