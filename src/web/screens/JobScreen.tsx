import { skipToken } from '@reduxjs/toolkit/query/react';
import { useCallback, useMemo, useState } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';
import { STATIONS, STATION_WORDS, STEP_STATIONS, type StationId } from '../../core/job';
import { inUse } from '../../core/shop/records';
import { POSITION_WORDS, type Wheel } from '../../core/fit/wheels';
import { Waiting } from '../shared/Frame';
import { JobContext, type JobAtHand } from '../shared/job-context';
import { useKeys } from '../parts/keys';
import { ConnectionStatus } from '../shared/ConnectionStatus';
import { NoJob, useOpenJob } from '../shared/use-open-job';
import { OutboxBar } from '../shared/OutboxBar';
import { Spoken } from '../shared/Spoken';
import { Terraces } from '../parts/Terraces';
import { STATION_VIEWS } from '../stations';
import { BenchView } from '../stations/BenchView';
import { useApp } from '../store';
import { selectJobState, selectReport } from '../store/job-selectors';
import { useMachineQuery } from '../store/records-api';
import { BackLinks } from './job/BackLinks';
import { JobFooter } from './job/JobFooter';
import { JobHeader } from './job/JobHeader';
import { useJobLog } from './job/use-job-log';

const NO_WHEELS: readonly Wheel[] = [];
const isStation = (text: string | undefined): text is StationId =>
  STATIONS.includes(text as StationId);

interface ViewProps {
  at: JobAtHand;
  onTurn: () => void;
  onUndo: () => void;
}

/** One step as large as the screen. */
const AtTheBench = ({ at, onTurn, onUndo }: ViewProps) => (
  <main className="relative flex min-h-screen flex-col pt-3 lg:h-screen lg:overflow-y-auto">
    <h1 className="sr-only">
      {STATION_WORDS[at.station]} at the bench: {POSITION_WORDS[at.wheel.position]},{' '}
      {at.machine.name}
    </h1>
    <div className="absolute top-2 right-3 z-10">
      <ConnectionStatus />
    </div>
    <OutboxBar jobId={at.job.id} />
    <div className="flex-1">
      <BenchView key={at.station} onTurn={onTurn} onUndo={onUndo} />
    </div>
    <div className="fixed inset-x-0 bottom-16 z-20 px-5">
      <Spoken />
    </div>
  </main>
);

/** Terraces, the station, and the actions that are the same everywhere. */
const AtTheStation = ({ at, onTurn, onUndo }: ViewProps) => {
  const View = STATION_VIEWS[at.station];
  return (
    <div className="grid min-h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] lg:h-screen lg:grid-cols-[246px_minmax(0,1fr)] lg:grid-rows-1">
      <div className="no-print bg-stone2 lg:overflow-y-auto">
        <BackLinks jobId={at.job.id} />
        <Terraces jobId={at.job.id} reports={at.reports} station={at.station} />
      </div>
      <div className="flex min-w-0 flex-col lg:h-screen lg:pl-4">
        <JobHeader {...at} />
        <OutboxBar jobId={at.job.id} />
        <main className="relative min-h-0 flex-1 lg:overflow-y-auto">
          <View key={at.station} />
        </main>
        <Spoken />
        <JobFooter job={at.job} station={at.station} onTurn={onTurn} onUndo={onUndo} />
      </div>
    </div>
  );
};

/** One job at one station, or at the bench. */
export const JobScreen = () => {
  const { id = '', station: named, view } = useParams();
  const navigate = useNavigate();
  const { open, problem } = useOpenJob(id);
  const all = useApp((s) => s.shop.shop);
  const shop = useMemo(() => all && inUse(all), [all]);
  const state = useApp((s) => selectJobState(s, id));
  const reports = useApp((s) => selectReport(s, id));
  const machineId = state.machine?.id;
  const { currentData: ofMachine, isError: isMachineLost } = useMachineQuery(
    machineId ?? skipToken,
  );
  const machineWheels = ofMachine?.wheels ?? NO_WHEELS;
  const isMachineRead = ofMachine !== undefined || isMachineLost;
  const [sideUp, setSideUp] = useState<'disc' | 'other'>('disc');
  const station = isStation(named) ? named : undefined;
  const { log, write, correcting, undo } = useJobLog(id, station ?? 'intake');
  const goTo = useCallback((to: StationId) => void navigate(`/jobs/${id}/${to}`), [navigate, id]);

  const turn = () => setSideUp((s) => (s === 'disc' ? 'other' : 'disc'));
  const undoAndGo = async () => {
    const undone = await undo();
    if (undone && undone.station !== station)
      await navigate(`/jobs/${id}/${undone.station}${view ? `/${view}` : ''}`);
  };
  const isAtBench = view === 'bench' && station !== undefined && STEP_STATIONS.includes(station);
  const index = station ? STATIONS.indexOf(station) : -1;
  const goBy = (by: 1 | -1) => {
    const to = index < 0 ? undefined : STATIONS[index + by];
    if (to) goTo(to);
  };
  useKeys([
    { key: 't', label: 'Turn the wheel over', run: turn },
    { key: 'u', label: 'Undo', run: () => void undoAndGo() },
    { key: 'ArrowLeft', label: 'Back one station', run: () => goBy(-1) },
    { key: 'ArrowRight', label: 'Next station', run: () => goBy(1) },
    // At the bench it goes back one step.
    ...(isAtBench ? [] : [{ key: 'b', label: 'Back one station', run: () => goBy(-1) }]),
  ]);

  const at = useMemo((): JobAtHand | null => {
    if (!open || !shop || !station || !state.machine || !state.wheel) return null;
    const report = reports.find((r) => r.station === station)!;
    const { machine, wheel } = state;
    return {
      job: open.job,
      log,
      state,
      machine,
      wheel,
      station,
      report,
      reports,
      machineWheels,
      isMachineRead,
      shop,
      sideUp,
      write,
      correcting,
      goTo,
    };
  }, [
    open,
    shop,
    station,
    state,
    reports,
    machineWheels,
    isMachineRead,
    log,
    sideUp,
    write,
    correcting,
    goTo,
  ]);

  if (problem) return <NoJob id={id} problem={problem} />;
  if (open && !station) {
    const next = reports.find((r) => r.fill < 1)?.station ?? 'hand-over';
    return <Navigate replace to={`/jobs/${id}/${next}`} />;
  }
  if (open && view !== undefined && !isAtBench)
    return <Navigate replace to={`/jobs/${id}/${station}`} />;
  if (!at) return <Waiting what="Loading job" />;
  const View = isAtBench ? AtTheBench : AtTheStation;
  return (
    <JobContext.Provider value={at}>
      <View at={at} onTurn={turn} onUndo={() => void undoAndGo()} />
    </JobContext.Provider>
  );
};
