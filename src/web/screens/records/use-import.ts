import { useRef, useState } from 'react';
import { SPECS, type ImportAnswer, type RecordKind } from '../../../core/shop/records';
import { useDo } from '../../store';
import { api, ApiError, type Progress } from '../../store/api';
import { announce } from '../../store/jobs-slice';
import { shopChanged } from '../../store/records-api';
import { refusalText } from '../../shared/refusal';

/** A file of records on its way in. */
interface Importing {
  /** The effect of the file; null while it is not known. */
  plan: ImportAnswer | null;
  problem: string | null;
  /** Null while nothing goes on. */
  progress: Progress | null;
  /** Looks into a file. */
  look: (file: File) => void;
  /** Takes the file in that was looked into. */
  takeIn: () => void;
  /** Gives up what goes on; nothing of it stays. */
  stop: () => void;
  clear: () => void;
}

const BEGUN: Progress = { phase: 'looking', done: 0, of: 0 };

/** Looks into a CSV file of a kind of record, and takes it in; `onDone` once it is in. */
export const useImport = (kind: RecordKind, onDone: () => void): Importing => {
  const dispatch = useDo();
  const [csv, setCsv] = useState<{ name: string; text: string } | null>(null);
  const [plan, setPlan] = useState<ImportAnswer | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [progress, setProgress] = useState<Progress | null>(null);
  const running = useRef<AbortController | null>(null);

  const ask = async (text: string, apply: boolean): Promise<ImportAnswer | null> => {
    const { signal } = (running.current = new AbortController());
    setProblem(null);
    setProgress(BEGUN);
    try {
      return await api.importRecords(kind, text, apply, { signal, onProgress: setProgress });
    } catch (error) {
      if (signal.aborted) return null;
      if (!(error instanceof ApiError)) throw error;
      setProblem(refusalText(error));
      return null;
    } finally {
      setProgress(null);
    }
  };
  const look = async (file: File) => {
    const text = await file.text();
    setCsv({ name: file.name, text });
    setPlan(await ask(text, false));
  };
  const takeIn = async () => {
    const done = await ask(csv!.text, true);
    if (!done?.applied) return void (done && setPlan(done));
    await dispatch(shopChanged());
    const { add, change } = done.counts;
    dispatch(
      announce({
        text: `${csv!.name} imported: ${add} ${SPECS[kind].many.toLowerCase()} added, ${change} changed.`,
        tone: 'good',
      }),
    );
    onDone();
  };
  return {
    plan,
    problem,
    progress,
    look: (file) => void look(file),
    takeIn: () => void takeIn(),
    stop: () => running.current?.abort(),
    clear: () => {
      setPlan(null);
      setProblem(null);
    },
  };
};
