import { joiResolver } from '@hookform/resolvers/joi';
import { Dialog } from 'radix-ui';
import { InputError } from '../../../core/base/errors';
import { useForm } from 'react-hook-form';
import {
  SPECS,
  type ImportAnswer,
  type ImportRow,
  type RecordKind,
} from '../../../core/shop/records';
import { Button } from '../../parts/Button';
import { whole } from '../../shared/form-schema';
import { VerdictMark } from '../../parts/VerdictMark';
import type { Progress } from '../../store/api';
import { Sheet } from '../../parts/Sheet';
import { useImport } from './use-import';
import { refusalText } from '../../shared/refusal';

const WORDS: Record<ImportRow['does'], string> = {
  add: 'added',
  change: 'changed',
  nothing: 'the same',
  faulty: 'faulty',
};
const SHOWN = 200;
const MAX_BYTES = 30_000_000;

interface ImportForm {
  files: FileList;
}

/** One file, not too large to be looked at row by row. */
const checkFiles = ({ files }: ImportForm): void => {
  const file = files[0];
  if (!file) throw new InputError('files', 'No file chosen.', 'Choose a CSV file');
  if (file.size > MAX_BYTES)
    throw new InputError(
      'files',
      'The file is too large.',
      'Choose a file up to 30 MB and 60,000 rows',
    );
};
const SCHEMA = whole<ImportForm>(checkFiles);

const PHASE_WORDS: Record<Progress['phase'], string> = { looking: 'Checked', taking: 'Imported' };

/** In the water's color in every browser. */
const BAR =
  'block h-3 w-full appearance-none overflow-hidden rounded-full bg-stone3 [&::-moz-progress-bar]:bg-water [&::-webkit-progress-bar]:bg-stone3 [&::-webkit-progress-value]:bg-water';

/** The progress, and a way to give it up: nothing of it stays then. */
const Going = ({
  progress: { phase, done, of },
  onStop,
}: {
  progress: Progress;
  onStop: () => void;
}) => (
  <div className="mb-3 flex flex-wrap items-center gap-4">
    <label className="grow">
      <span className="num mb-1 block text-[16px]">
        {of === 0 ? 'Reading it …' : `${PHASE_WORDS[phase]}: ${done} of ${of} rows`}
      </span>
      <progress className={BAR} max={Math.max(1, of)} value={of === 0 ? undefined : done} />
    </label>
    <Button onClick={onStop}>Stop</Button>
  </div>
);

const Row = ({ row }: { row: ImportRow }) => (
  <tr className="border-t border-stone3 align-baseline [&>td]:py-1">
    <td className="num pr-3">{row.line}</td>
    <td className="pr-3">{row.about}</td>
    <td className={row.does === 'faulty' ? 'text-stop' : ''}>
      {WORDS[row.does]}
      {row.problems.map((p) => (
        <span key={p.column + p.message} className="block">
          {p.column}: {refusalText(p)}
        </span>
      ))}
    </td>
  </tr>
);

/** Row by row what the file would do, the faulty ones first. */
const Rows = ({ plan: { rows, counts } }: { plan: ImportAnswer }) => {
  const isFaulty = (row: ImportRow) => Number(row.does === 'faulty');
  const shown = [...rows]
    .sort((a, b) => isFaulty(b) - isFaulty(a) || a.line - b.line)
    .slice(0, SHOWN);
  const more = Object.values(counts).reduce((sum, n) => sum + n, 0) - shown.length;
  if (shown.length === 0) return null;
  return (
    <>
      <table className="mt-3 w-full border-t-2 border-ink text-left text-[16px]">
        <thead className="text-ink2">
          <tr>
            <th className="py-1 pr-3 font-normal">Line</th>
            <th className="pr-3 font-normal">What</th>
            <th className="font-normal">Enter instead</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <Row key={row.line} row={row} />
          ))}
        </tbody>
      </table>
      {more > 0 && <p className="mt-2 text-ink2">and {more} more rows</p>}
    </>
  );
};

const Verdict = ({ plan: { counts, problems } }: { plan: ImportAnswer }) => {
  const all = counts.add + counts.change + counts.nothing + counts.faulty;
  return (
    <>
      {problems.map((p) => (
        <p key={p.message} className="text-stop">
          {refusalText(p)}
        </p>
      ))}
      {problems.length === 0 && (
        <VerdictMark verdict={counts.faulty > 0 ? 'stop' : 'good'}>
          {counts.faulty > 0
            ? `${counts.faulty} of ${all} rows have errors; nothing was imported`
            : `${counts.add} added, ${counts.change} changed, ${counts.nothing} the same`}
        </VerdictMark>
      )}
    </>
  );
};

/** A CSV file read, its plan shown row by row, and then all of it taken in or nothing. */
export const ImportSheet = ({ kind, onDone }: { kind: RecordKind; onDone: () => void }) => {
  const { plan, problem, progress, look, takeIn, stop, clear } = useImport(kind, onDone);
  const { register, handleSubmit, formState } = useForm<ImportForm>({
    resolver: joiResolver(SCHEMA),
  });
  const read = handleSubmit(({ files }) => look(files[0]!));
  const wrongFile = formState.errors.files?.message;
  const isFit =
    plan !== null &&
    plan.problems.length === 0 &&
    plan.counts.faulty === 0 &&
    plan.counts.add + plan.counts.change > 0;
  const leave = () => {
    stop();
    onDone();
  };
  return (
    <Dialog.Root open onOpenChange={(is) => !is && leave()}>
      <Sheet title={<>{SPECS[kind].many} from a CSV file</>} closes="Cancel" widthPx={760} footed>
        <label className="block">
          <span className="mb-1 block text-[15px] text-ink2">
            CSV file, with the columns of this list. A row without an ID is added.
          </span>
          <input
            type="file"
            accept=".csv,text/csv"
            className="field py-2"
            {...register('files', { onChange: () => (clear(), void read()) })}
          />
        </label>
        <div aria-live="polite" className="mt-4">
          {progress && <Going progress={progress} onStop={stop} />}
          {(problem ?? wrongFile) && (
            <p role="alert" className="text-stop">
              {problem ?? wrongFile}
            </p>
          )}
          {plan && <Verdict plan={plan} />}
        </div>
        {plan && <Rows plan={plan} />}
        <div className="sticky bottom-0 mt-4 flex gap-3 border-t border-stone3 bg-stone py-3">
          <Button go disabled={!isFit || progress !== null} onClick={takeIn}>
            Import
          </Button>
          <Button onClick={leave}>Cancel</Button>
        </div>
      </Sheet>
    </Dialog.Root>
  );
};
