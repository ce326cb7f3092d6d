import { Popover } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { counted } from '../../core/base/units';
import { useApp, useDo } from '../store';
import { sendNow } from '../store/outbox-sender';
import { needsWord, type PendingEntries } from '../store/pending-entries';
import { takeNewVersion } from '../store/version';
import { Button } from './Button';
import { KeysPause } from './keys';
import { momentText } from './moment-text';

const entriesIn = (pendingEntries: readonly PendingEntries[]): number =>
  pendingEntries.reduce((sum, p) => sum + p.bodies.length, 0);

/** The jobs for which pendingEntries wait, each with how many entries. */
const ByJob = ({
  pendingEntries,
  what,
}: {
  pendingEntries: readonly PendingEntries[];
  what: string;
}) => (
  <ul>
    {[...new Map(pendingEntries.map((p) => [p.jobId, p])).values()].map(({ jobId, jobNumber }) => (
      <li key={jobId}>
        <Link className="inline-flex min-h-12 items-center underline" to={`/jobs/${jobId}`}>
          {jobNumber === null ? 'A job' : `Job ${jobNumber}`}:{' '}
          {counted(entriesIn(pendingEntries.filter((p) => p.jobId === jobId)), 'entry', 'entries')}{' '}
          {what}
        </Link>
      </li>
    ))}
  </ul>
);

/**
 * Sentences of entries come with the job's own code, which a page that wrote entries has loaded: it
 * needs no server.
 */
const UnsentList = lazy(() => import('./OutboxBar').then((m) => ({ default: m.UnsentList })));

/** What there is to say, the most pressing first. */
const STANDINGS = ['asks', 'waiting', 'lost', 'newer'] as const;
type Standing = (typeof STANDINGS)[number];
const SAYS: Record<Standing, (entries: number) => string> = {
  asks: (n) => `${n} to decide`,
  waiting: (n) => `${n} waiting`,
  lost: () => 'No answer',
  newer: () => 'Newer version',
};
const EDGE: Record<Standing, string> = {
  asks: 'border-stop',
  waiting: 'border-check',
  lost: 'border-check',
  newer: 'border-water',
};

/**
 * How this page stands to the server, where anything is to be said of it; nothing where all is
 * written.
 */
export const ConnectionStatus = () => {
  const dispatch = useDo();
  const outbox = useApp((s) => s.jobs.outbox) as readonly PendingEntries[];
  const { lostAt, isNewVersionReady } = useApp((s) => s.link);
  const waiting = outbox.filter((p) => p.status === 'unsent');
  const asks = outbox.filter(needsWord);
  const holds: Record<Standing, boolean> = {
    asks: asks.length > 0,
    waiting: waiting.length > 0,
    lost: lostAt !== null,
    newer: isNewVersionReady,
  };
  const standing = STANDINGS.find((s) => holds[s]);
  return (
    <div role="status" className="no-print shrink-0 empty:absolute">
      {standing && (
        <Popover.Root>
          <Popover.Trigger asChild>
            <button
              type="button"
              className={`min-h-12 cursor-pointer border-l-4 bg-paper px-2 text-[15px] leading-tight font-semibold max-sm:max-w-20 ${EDGE[standing]}`}
            >
              {SAYS[standing](entriesIn(standing === 'asks' ? asks : waiting))}
            </button>
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              align="end"
              sideOffset={8}
              collisionPadding={12}
              className="z-40 w-[min(380px,94vw)] space-y-3 rounded-2xl border-2 border-ink bg-stone p-4"
              aria-label="What is not on the server yet"
            >
              <KeysPause />
              {lostAt && (
                <p>
                  No answer from the server since {momentText(lostAt, Date.now())}. What you see is
                  what this browser has seen of it; what you write into a job is kept here.
                </p>
              )}
              {waiting.length > 0 && (
                <>
                  <p>
                    Kept on this machine. It goes by itself, in order, once the server takes it.
                  </p>
                  {!lostAt && <p className="text-ink2">{waiting[0]!.why}</p>}
                  <ByJob pendingEntries={waiting} what="waiting" />
                  <Suspense fallback={null}>
                    <UnsentList pendingEntries={waiting} />
                  </Suspense>
                </>
              )}
              {asks.length > 0 && <ByJob pendingEntries={asks} what="to decide" />}
              {outbox.some((p) => !p.isKept) && (
                <p className="font-bold">
                  This browser keeps nothing on its disk: leave the page open until all is sent.
                </p>
              )}
              {waiting.length > 0 && (
                <Button go small onClick={() => void dispatch(sendNow())}>
                  Try now
                </Button>
              )}
              {isNewVersionReady && (
                <div className="space-y-2">
                  <p>
                    A newer version of the program is here.
                    {outbox.length > 0 && ' It can be taken once nothing waits.'}
                  </p>
                  <Button go small disabled={outbox.length > 0} onClick={takeNewVersion}>
                    Take it now
                  </Button>
                </div>
              )}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      )}
    </div>
  );
};
