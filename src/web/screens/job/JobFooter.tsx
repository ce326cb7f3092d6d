import { Link } from 'react-router';
import { STEP_STATIONS, type JobSummary, type StationId } from '../../../core/job';
import { Button } from '../../parts/Button';
import { KeyHelp } from '../../parts/KeyHelp';
import { NoteButton } from '../../shared/NoteButton';
import { useMain, useSheet } from '../../shared/working';
import { Trouble } from '../../stations/Trouble';

/** Stations where hands are on the wheel. */
const TROUBLE_AT: readonly StationId[] = [...STEP_STATIONS, 'seat'];

interface Props {
  job: JobSummary;
  station: StationId;
  onTurn: () => void;
  onUndo: () => void;
}

/** The actions at every station. */
export const JobFooter = ({ job, station, onTurn, onUndo }: Props) => {
  const { show } = useSheet();
  const main = useMain();
  return (
    <footer className="no-print flex items-center gap-3 overflow-x-auto border-t border-stone3 px-4 py-2 lg:mr-5 lg:px-0 max-lg:sticky max-lg:bottom-0 max-lg:bg-stone">
      <Button className="shrink-0" hotkey="W" disabled={!main} onClick={() => main && show(main)}>
        Show the math
      </Button>
      <Button className="shrink-0" hotkey="T" onClick={onTurn}>
        Turn wheel over
      </Button>
      <Button className="shrink-0" hotkey="U" onClick={onUndo}>
        Undo
      </Button>
      <NoteButton />
      {TROUBLE_AT.includes(station) && <Trouble />}
      <Link className="btn shrink-0" to={`/jobs/${job.id}/log`}>
        Log
      </Link>
      <span className="ml-auto shrink-0">
        <KeyHelp />
      </span>
    </footer>
  );
};
