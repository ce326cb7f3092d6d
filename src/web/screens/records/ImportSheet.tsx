import { joiResolver } from '@hookform/resolvers/joi';
import { Dialog } from 'radix-ui';
import { InputError, refusalText } from '../../../core/errors';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { SPECS, type ImportRow, type RecordKind } from '../../../core/shop';
import { Button } from '../../parts/Button';
import { whole } from '../../parts/form-schema';
import { VerdictMark } from '../../parts/VerdictMark';
import { useDo } from '../../store';
import { api, ApiError, type ImportAnswer } from '../../store/api';
import { announce } from '../../store/jobs-slice';
import { shopChanged } from '../../store/records-api';
import { Sheet } from '../../parts/Sheet';

const WORDS: Record<ImportRow['does'], string> = {
  add: 'added',
  change: 'changed',
  nothing: 'the same',
  faulty: 'faulty',
};
const SHOWN = 200;
const MOST_BYTES = 4_000_000;

interface ImportForm {
  files: FileList;
}

/** One file, not too large to be looked at row by row. */
const checkFiles = ({ files }: ImportForm): void => {
  const file = files[0];
  if (!file) throw new InputError('files', 'No file is picked.', 'a CSV file');
  if (file.size > MOST_BYTES) throw new InputError('files', 'The file is too large.', 'at most 4 MB and 5000 rows');
};
const SCHEMA = whole<ImportForm>(checkFiles);

/** A CSV file read, its plan shown row by row, and then all of it taken in or nothing. */
export const ImportSheet = ({ kind, onDone }: { kind: RecordKind; onDone: () => void }) => {
  const dispatch = useDo();
  const [csv, setCsv] = useState<{ name: string; text: string } | null>(null);
  const [plan, setPlan] = useState<ImportAnswer | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const ask = async (text: string, apply: boolean): Promise<ImportAnswer | null> => {
    setBusy(true);
    try {
      return await api.importRecords(kind, text, apply);
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
      return null;
    } finally {
      setBusy(false);
    }
  };
  const { register, handleSubmit, formState } = useForm<ImportForm>({ resolver: joiResolver(SCHEMA) });
  const clear = () => {
    setPlan(null);
    setProblem(null);
  };
  const read = handleSubmit(async ({ files }) => {
    const file = files[0]!;
    const text = await file.text();
    setCsv({ name: file.name, text });
    setPlan(await ask(text, false));
  });
  const wrongFile = formState.errors.files?.message;
  const takeIn = async () => {
    const done = await ask(csv!.text, true);
    if (!done?.applied) return void (done && setPlan(done));
    await dispatch(shopChanged());
    dispatch(announce({ text: `${csv!.name} is taken in.`, tone: 'good' }));
    onDone();
  };
  const count = (does: ImportRow['does']) => plan?.rows.filter((r) => r.does === does).length ?? 0;
  const faulty = plan !== null && (plan.problems.length > 0 || count('faulty') > 0);
  const rows = plan
    ? [...plan.rows].sort((a, b) => Number(b.does === 'faulty') - Number(a.does === 'faulty') || a.line - b.line)
    : [];
  return (
    <Dialog.Root open onOpenChange={(is) => !is && onDone()}>
      <Sheet title={<>{SPECS[kind].many} from a CSV file</>} closes="Leave it" widthPx={760}>
        <label className="block">
          <span className="mb-1 block text-[15px] text-ink2">
            The file: the columns that the CSV of this list has. A row without an id is added.
          </span>
          <input
            type="file"
            accept=".csv,text/csv"
            className="field py-2"
            {...register('files', { onChange: () => (clear(), void read()) })}
          />
        </label>
        <div aria-live="polite" className="mt-4">
          {busy && <p className="text-ink2">Reading {csv?.name} …</p>}
          {(problem ?? wrongFile) && (
            <p role="alert" className="text-stop">
              {problem ?? wrongFile}
            </p>
          )}
          {plan?.problems.map((p) => (
            <p key={p.message} className="text-stop">
              {refusalText(p)}
            </p>
          ))}
          {plan && plan.problems.length === 0 && (
            <VerdictMark verdict={faulty ? 'stop' : 'good'}>
              {faulty
                ? `${count('faulty')} of ${plan.rows.length} rows are faulty; nothing is taken in`
                : `${count('add')} added, ${count('change')} changed, ${count('nothing')} the same`}
            </VerdictMark>
          )}
        </div>
        {rows.length > 0 && (
          <table className="mt-3 w-full border-t-2 border-ink text-left text-[16px]">
            <thead className="text-ink2">
              <tr>
                <th className="py-1 pr-3 font-normal">Line</th>
                <th className="pr-3 font-normal">What</th>
                <th className="font-normal">Would be</th>
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, SHOWN).map((r) => (
                <tr key={r.line} className="border-t border-stone3 align-top">
                  <td className="num py-1 pr-3">{r.line}</td>
                  <td className="pr-3">{r.about}</td>
                  <td className={r.does === 'faulty' ? 'text-stop' : ''}>
                    {WORDS[r.does]}
                    {r.problems.map((p) => (
                      <span key={p.column + p.message} className="block">
                        {p.column}: {refusalText(p)}
                      </span>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {rows.length > SHOWN && <p className="mt-2 text-ink2">and {rows.length - SHOWN} more rows</p>}
        <div className="mt-4 flex gap-3">
          <Button
            go
            disabled={!plan || faulty || busy || count('add') + count('change') === 0}
            onClick={() => void takeIn()}
          >
            Take them in
          </Button>
          <Button onClick={onDone}>Leave it</Button>
        </div>
      </Sheet>
    </Dialog.Root>
  );
};
