import { useState } from 'react';
import type { Guessing } from '../../../core/shop/auth';
import { counted } from '../../../core/base/units';
import { Button } from '../../parts/Button';
import { momentText } from '../../parts/moment-text';
import { useNow } from '../../parts/use-now';
import { VerdictShape } from '../../parts/VerdictMark';
import {
  useBlockGuessingMutation,
  useClearGuessingMutation,
  useGuessingQuery,
} from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';

const ASK_MS = 30_000;

/**
 * Wrong tries to sign in, by where they come from, each with a way to end it; nothing while there
 * are none.
 */
export const GuessingList = () => {
  const nowMs = useNow();
  const { data = [] } = useGuessingQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  const [block] = useBlockGuessingMutation();
  const [clear] = useClearGuessingMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const act = (done: Promise<unknown>) =>
    void done
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem(serverProblem(error)));
  if (data.length === 0) return null;
  const row = ({ id, who, from, wrong, lastAt, isKnown, isBlocked }: Guessing) => (
    <li key={id} className="flex flex-wrap items-center gap-3 border-b border-stone3 py-2">
      <VerdictShape verdict={isBlocked ? 'check' : 'stop'} size={20} />
      <span className="min-w-0 flex-1 basis-60 [overflow-wrap:anywhere]">
        <span className="head text-lg">{who}</span>: {counted(wrong, 'wrong try', 'wrong tries')}{' '}
        from {from}
        {isKnown && ', where they signed in before'}
        <span className="block text-[15px] text-ink2">
          last {momentText(lastAt, nowMs)}
          {isBlocked && ', blocked'}
        </span>
      </span>
      <Button small onClick={() => act(block({ id, isBlocked: !isBlocked }).unwrap())}>
        {isBlocked ? 'Unblock' : 'Block'}
      </Button>
      <Button small onClick={() => act(clear(id).unwrap())}>
        Clear
      </Button>
    </li>
  );
  return (
    <section aria-label="Wrong sign-in tries" className="mb-6">
      <h2 className="text-2xl">Wrong sign-in tries</h2>
      <p className="text-[16px] text-ink2">
        Block ends sign-in from there. Clear lets the person try again at once.
      </p>
      <ul className="rows">{data.map(row)}</ul>
      {problem && (
        <p role="alert" className="mt-2 text-stop">
          {problem}
        </p>
      )}
    </section>
  );
};
