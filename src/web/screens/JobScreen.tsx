import { useCallback, useMemo, useState } from 'react';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import {
  entryText,
  foldJob,
  standingId,
  stepsOf,
  STATIONS,
  STATION_WORDS,
  STEP_STATIONS,
  type EntryKind,
  type StationId,
} from '../../core/job';
import { inUse } from '../../core/shop';
import { POSITION_WORDS } from '../../core/wheels/wheel';
import { Bench } from '../parts/Bench';
import { Button } from '../parts/Button';
import { Waiting } from '../parts/Frame';
import { KeyHelp } from '../parts/KeyHelp';
import { useKeys } from '../parts/keys';
import { NoteButton } from '../parts/NoteButton';
import { NoJob, useOpenJob } from '../parts/open-job';
import { OutboxBar } from '../parts/OutboxBar';
import { useUnits } from '../parts/quantity';
import { Spoken } from '../parts/Spoken';
import { Terraces } from '../parts/Terraces';
import { useMain, useSheet } from '../parts/working';
import { STATION_VIEWS } from '../stations';
import { BenchView } from '../stations/BenchView';
import { Trouble } from '../stations/Trouble';
import { selectJobState, selectLog, selectReport, useApp, useDo } from '../store';
import { said, undoLast, write as writeEntries, type Writing } from '../store/jobs-slice';
import { loadShop } from '../store/shop-slice';
import { JobContext, type JobAtHand } from './job-context';

const isStation = (text: string | undefined): text is StationId => STATIONS.includes(text as StationId);

const Header = ({ at }: { at: JobAtHand }) => {
  const { job, state, wheel, machine, sideUp } = at;
  const goingOn = state.chosen ? `${state.chosen.marking} going on` : `${wheel.tireMarking} on it`;
  const tube = (state.chosen?.tube ?? wheel.tube) ? 'tube' : 'tubeless';
  const locks = wheel.rimLockDegs.length;
  return (
    <header className="no-print flex min-h-16 items-center gap-x-4 px-4 lg:pl-0">
      <div className="min-w-0 flex-1 lg:flex lg:items-baseline lg:gap-4">
        <h1 className="truncate text-[22px]">
          {POSITION_WORDS[wheel.position]}, {machine.name}
        </h1>
        <p className="truncate text-[16px] text-ink2">
          job {job.number} · {goingOn} · {tube}
          {locks > 0 && `, ${locks === 1 ? 'one rim lock' : `${locks} rim locks`}`}
        </p>
      </div>
      <span className="whitespace-nowrap text-ink2 max-sm:hidden">
        {wheel.discSide === 'none' || wheel.discSide === 'both'
          ? sideUp === 'disc'
            ? 'right side up'
            : 'left side up'
          : sideUp === 'disc'
            ? 'disc side up'
            : 'disc side down'}
      </span>
      <Bench />
    </header>
  );
};

/** Stations where hands are on the wheel. */
const TROUBLE_AT: readonly StationId[] = [...STEP_STATIONS, 'seat'];

const Footer = ({ at, onTurn, onUndo }: { at: JobAtHand; onTurn: () => void; onUndo: () => void }) => {
  const { show } = useSheet();
  const main = useMain();
  return (
    <footer className="no-print flex items-center gap-3 overflow-x-auto border-t border-stone3 px-4 py-2 lg:mr-5 lg:px-0 max-lg:sticky max-lg:bottom-0 max-lg:bg-stone">
      <Button className="shrink-0" hotkey="W" disabled={!main} onClick={() => main && show(main)}>
        Show the working
      </Button>
      <Button className="shrink-0" hotkey="T" onClick={onTurn}>
        Turn wheel over
      </Button>
      <Button className="shrink-0" hotkey="U" onClick={onUndo}>
        Undo
      </Button>
      <NoteButton />
      {TROUBLE_AT.includes(at.station) && <Trouble />}
      <Link className="btn shrink-0" to={`/jobs/${at.job.id}/log`}>
        Log
      </Link>
      <span className="ml-auto shrink-0">
        <KeyHelp />
      </span>
    </footer>
  );
};

/** One job at one station: terraces, the station, and the actions that are the same everywhere. */
export const JobScreen = () => {
  const { id = '', station: named, view } = useParams();
  const dispatch = useDo();
  const navigate = useNavigate();
  const { units } = useUnits();
  const { open, problem } = useOpenJob(id);
  const all = useApp((s) => s.shop.shop);
  const shop = useMemo(() => all && inUse(all), [all]);
  const who = useApp((s) => s.prefs.who);
  const log = useApp((s) => selectLog(s, id));
  const state = useApp((s) => selectJobState(s, id));
  const reports = useApp((s) => selectReport(s, id));
  const [sideUp, setSideUp] = useState<'disc' | 'other'>('disc');
  const station = isStation(named) ? named : undefined;

  const write = useCallback(
    async (writings: Writing[], says?: string) => {
      if (!who) {
        dispatch(
          said({ text: 'Not written. Say first who is at the bench: the round stamp at the top right.', tone: 'stop' }),
        );
        return false;
      }
      const done = await dispatch(writeEntries(id, station ?? 'intake', writings));
      if (done && says) dispatch(said({ text: says, tone: 'good' }));
      return done;
    },
    [dispatch, id, station, who],
  );
  const correcting = useCallback(
    (kind: EntryKind) => {
      const replaces = standingId(log, kind);
      return replaces === undefined ? {} : { replaces };
    },
    [log],
  );
  const goTo = useCallback((to: StationId) => void navigate(`/jobs/${id}/${to}`), [navigate, id]);
  const turn = useCallback(() => setSideUp((s) => (s === 'disc' ? 'other' : 'disc')), []);
  const undo = useCallback(async () => {
    if (!who)
      return void dispatch(
        said({ text: 'Say first who is at the bench: the round stamp at the top right.', tone: 'stop' }),
      );
    const undone = await dispatch(undoLast(id, station ?? 'intake'));
    const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
    dispatch(
      said({ text: undone ? `Undone: ${entryText(undone, units, words)}` : 'There is nothing to undo.', tone: 'good' }),
    );
    // The parts of an undone hand-over are back on the shelf.
    if (undone?.kind === 'handed-over') await dispatch(loadShop());
    if (undone && undone.station !== station) void navigate(`/jobs/${id}/${undone.station}${view ? `/${view}` : ''}`);
  }, [dispatch, id, log, navigate, station, units, view, who]);

  const atBench = view === 'bench' && station !== undefined && STEP_STATIONS.includes(station);
  const i = station ? STATIONS.indexOf(station) : -1;
  useKeys([
    { key: 't', says: 'Turn the wheel over', run: turn },
    { key: 'u', says: 'Undo', run: () => void undo() },
    { key: 'ArrowLeft', says: 'Back one station', run: () => i > 0 && goTo(STATIONS[i - 1]!) },
    { key: 'ArrowRight', says: 'Next station', run: () => i >= 0 && i < STATIONS.length - 1 && goTo(STATIONS[i + 1]!) },
    // At the bench it goes back one step.
    ...(atBench ? [] : [{ key: 'b', says: 'Back one station', run: () => i > 0 && goTo(STATIONS[i - 1]!) }]),
  ]);

  const at = useMemo((): JobAtHand | null => {
    if (!open || !shop || !station || !state.machine || !state.wheel) return null;
    const report = reports.find((r) => r.station === station)!;
    return {
      job: open.job,
      log,
      state,
      machine: state.machine,
      wheel: state.wheel,
      station,
      report,
      reports,
      shop,
      sideUp,
      write,
      correcting,
      goTo,
    };
  }, [open, shop, station, state, reports, log, sideUp, write, correcting, goTo]);

  if (problem) return <NoJob id={id} problem={problem} />;
  if (open && !station) {
    const next = reports.find((r) => r.fill < 1)?.station ?? 'hand-over';
    return <Navigate replace to={`/jobs/${id}/${next}`} />;
  }
  if (open && view !== undefined && !atBench) return <Navigate replace to={`/jobs/${id}/${station}`} />;
  if (!at) return <Waiting what="Reading the job" />;
  const View = STATION_VIEWS[at.station];
  if (atBench)
    return (
      <JobContext.Provider value={at}>
        <main className="relative flex min-h-screen flex-col pt-3 lg:h-screen lg:overflow-y-auto">
          <h1 className="sr-only">
            {STATION_WORDS[at.station]} at the bench: {POSITION_WORDS[at.wheel.position]}, {at.machine.name}
          </h1>
          <OutboxBar jobId={id} />
          <div className="flex-1">
            <BenchView key={at.station} onTurn={turn} onUndo={() => void undo()} />
          </div>
          <Spoken />
        </main>
      </JobContext.Provider>
    );
  return (
    <JobContext.Provider value={at}>
      <div className="grid min-h-screen grid-cols-[minmax(0,1fr)] grid-rows-[auto_1fr] lg:h-screen lg:grid-cols-[246px_minmax(0,1fr)] lg:grid-rows-1">
        <div className="no-print bg-stone2 lg:overflow-y-auto">
          <Link to="/" className="head flex min-h-12 items-center px-5 text-[18px] no-underline lg:h-[56px]">
            Tough Rimstone
          </Link>
          <Terraces jobId={id} reports={reports} station={at.station} />
        </div>
        <div className="flex min-w-0 flex-col lg:h-screen lg:pl-4">
          <Header at={at} />
          <OutboxBar jobId={id} />
          <main className="relative min-h-0 flex-1 lg:overflow-y-auto">
            <View key={at.station} />
          </main>
          <Spoken />
          <Footer at={at} onTurn={turn} onUndo={() => void undo()} />
        </div>
      </div>
    </JobContext.Provider>
  );
};
