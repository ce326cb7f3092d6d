import { useState } from 'react';
import type { Session } from '../../../core/shop/auth';
import { Button } from '../../parts/Button';
import { Failed, Waiting } from '../../shared/Frame';
import { momentText } from '../../parts/moment-text';
import { useNow } from '../../parts/use-now';
import { useEndSessionMutation, useSessionsQuery } from '../../store/auth-api';
import { serverProblem } from '../../shared/server-problem';

const ASK_MS = 15_000;

const SessionRow = ({
  session,
  nowMs,
  onEnd,
}: {
  session: Session;
  nowMs: number;
  onEnd: () => void;
}) => (
  <li className="grid items-center gap-x-4 gap-y-1 border-b border-stone3 py-2 md:grid-cols-[190px_minmax(0,1fr)_auto]">
    <span className="head text-lg">
      {session.who}
      {session.isThis && <span className="font-normal text-ink2">, this device</span>}
    </span>
    <span className="text-[15px] text-ink2 [overflow-wrap:anywhere]">
      {session.from}
      {session.isLocked && ', locked'}: seen {momentText(session.seenAt, nowMs)}, since{' '}
      {momentText(session.begunAt, nowMs)}, until {momentText(session.endsAt, nowMs)}
    </span>
    {!session.isThis && (
      <Button
        small
        onClick={onEnd}
        aria-label={`Sign out ${session.who}, seen ${momentText(session.seenAt, nowMs)}`}
      >
        Sign out
      </Button>
    )}
  </li>
);

/** The screens at which someone is signed in; each but this one can be signed out from here. */
export const Sessions = () => {
  const nowMs = useNow();
  const { data, error, refetch } = useSessionsQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  const [end] = useEndSessionMutation();
  const [problem, setProblem] = useState<string | null>(null);
  if (error && !data)
    return (
      <Failed message={serverProblem(error)}>
        <Button onClick={() => void refetch()}>Try again</Button>
      </Failed>
    );
  if (!data) return <Waiting what="Loading sign-ins" />;
  return (
    <>
      {problem && (
        <p role="alert" className="mb-2 text-stop">
          {problem}
        </p>
      )}
      <ul className="rows" aria-label="Signed in">
        {data.map((session) => (
          <SessionRow
            key={session.id}
            session={session}
            nowMs={nowMs}
            onEnd={() =>
              void end(session.id)
                .unwrap()
                .then(() => setProblem(null))
                .catch((failed: unknown) => setProblem(serverProblem(failed)))
            }
          />
        ))}
      </ul>
    </>
  );
};
