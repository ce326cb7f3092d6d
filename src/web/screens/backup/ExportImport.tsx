import { useRef, useState } from 'react';
import type { Brought } from '../../../core/reports/exchange';
import { Button } from '../../parts/Button';
import { FileButton } from '../../parts/FileButton';
import { useBringFileMutation } from '../../store/exchange-api';
import { serverProblem } from '../../shared/server-problem';
import { TakeInSheet } from './TakeInSheet';

/** A file that is on its way in; it can be given up. */
const useBringing = () => {
  const [bring, { isLoading }] = useBringFileMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const [brought, setBrought] = useState<Brought | null>(null);
  const running = useRef<{ abort: () => void } | null>(null);
  const begin = async (file: File) => {
    setProblem(null);
    const going = bring(file);
    running.current = going;
    try {
      setBrought(await going.unwrap());
    } catch (failed) {
      if ((failed as { name?: string }).name !== 'AbortError') setProblem(serverProblem(failed));
    }
  };
  return {
    isBringing: isLoading,
    problem,
    brought,
    begin: (file: File) => void begin(file),
    giveUp: () => running.current?.abort(),
    done: () => setBrought(null),
  };
};

/** The whole shop out into a file that other programs can read, and such a file, or a job’s, in. */
export const ExportImport = () => {
  const { isBringing, problem, brought, begin, giveUp, done } = useBringing();
  return (
    <section aria-labelledby="out-and-in" className="mt-8 max-w-[70ch]">
      <h2 id="out-and-in" className="head mb-2 text-xl">
        Export and import
      </h2>
      <p className="mb-3 text-[17px]">
        The whole shop as a file any program can read: a zip of JSON lines with a published schema,
        photos included, no secrets. Another shop can import all of it or one job; what is already
        there stays.
      </p>
      <div className="flex flex-wrap gap-2">
        <a className="btn" href="/api/exchange/shop" download>
          Export shop
        </a>
        <FileButton label="Shop or job file" disabled={isBringing} onFile={begin}>
          {isBringing ? 'Reading it …' : 'Check a file'}
        </FileButton>
        {isBringing && <Button onClick={giveUp}>Stop</Button>}
      </div>
      {problem && (
        <p role="alert" className="mt-3 text-stop">
          {problem}
        </p>
      )}
      {brought && <TakeInSheet brought={brought} onClose={done} />}
    </section>
  );
};
