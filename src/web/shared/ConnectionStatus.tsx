import { Popover } from 'radix-ui';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { counted } from '../../core/base/units';
import { useApp, useDo } from '../store';
import { sendNow } from '../store/outbox-sender';
import { needsWord, type PendingEntries } from '../store/pending-entries';
import { takeNewVersion } from '../store/version';
import { Button } from '../parts/Button';
import { KeysPause } from '../parts/keys';
import { momentText } from '../parts/moment-text';

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

/** The states worth telling, the most pressing first. */
const STANDINGS = ['asks', 'waiting', 'lost', 'newer'] as const;
type Standing = (typeof STANDINGS)[number];
const SAYS: Record<Standing, (entries: number) => string> = {
  asks: (n) => `${n} to review`,
  waiting: (n) => `${n} unsent`,
  lost: () => 'Offline',
  newer: () => 'Update ready',
};
const EDGE: Record<Standing, string> = {
  asks: 'border-stop',
  waiting: 'border-check',
  lost: 'border-check',
  newer: 'border-water',
};

/**
 * The state of the connection to the server, if anything is worth telling; nothing when all is
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
              aria-label="Unsent entries"
            >
              <KeysPause />
              {lostAt && (
                <p>
                  Offline since {momentText(lostAt, Date.now())}. You see the last saved copy. Job
                  entries are saved on this device.
                </p>
              )}
              {waiting.length > 0 && (
                <>
                  <p>Saved on this device. Sends itself, in order, when the server is back.</p>
                  {!lostAt && <p className="text-ink2">{waiting[0]!.why}</p>}
                  <ByJob pendingEntries={waiting} what="unsent" />
                  <Suspense fallback={null}>
                    <UnsentList pendingEntries={waiting} />
                  </Suspense>
                </>
              )}
              {asks.length > 0 && <ByJob pendingEntries={asks} what="to review" />}
              {outbox.some((p) => !p.isKept) && (
                <p className="font-bold">
                  This browser can’t save offline. Keep this page open until everything is sent.
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
                    An update is ready.
                    {outbox.length > 0 && ' It installs once everything is sent.'}
                  </p>
                  <Button go small disabled={outbox.length > 0} onClick={takeNewVersion}>
                    Update now
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
