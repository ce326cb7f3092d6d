import { useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  foldVisit,
  standingVisitEntries,
  visitLogText,
  type VisitEntry,
  type VisitSummary,
} from '../../core/shop/visit';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useVisitQuery } from '../store/visits-api';
import { serverProblem } from '../shared/server-problem';
import { hoursFrom } from './today/TimeScale';
import { useNow } from '../parts/use-now';
import { VisitRow } from './today/VisitRow';
import { EstimatePart } from './visit/EstimatePart';
import { VisitActions } from './visit/VisitActions';
import { useWriteVisit } from './visit/VisitForms';
import { momentText } from '../parts/moment-text';

const HOURS = 9;
const ASK_MS = 30_000;
/** The entries that cannot be undone: wheels come and go by entries of their own. */
const FIXED: readonly VisitEntry['kind'][] = ['opened', 'wheel-added', 'wheel-removed', 'undo'];

/** The log, the newest first, and the way back for what may be undone. */
const Log = ({
  visit,
  log,
  nowMs,
}: {
  visit: VisitSummary;
  log: readonly VisitEntry[];
  nowMs: number;
}) => {
  const write = useWriteVisit(visit);
  const [problem, setProblem] = useState<string | null>(null);
  const standing = new Set(standingVisitEntries(log).map((e) => e.id));
  const last = [...log].reverse().find((e) => standing.has(e.id) && !FIXED.includes(e.kind));
  const undo = async () => setProblem(await write({ kind: 'undo', data: { entryId: last!.id } }));
  return (
    <section aria-label="Visit log">
      <div className="mb-1 flex items-center justify-between gap-3">
        <h2 className="text-2xl">Visit log</h2>
        {last && (
          <Button small onClick={() => void undo()}>
            Undo last entry
          </Button>
        )}
      </div>
      {problem && (
        <p role="alert" className="text-stop">
          {problem}
        </p>
      )}
      <ol className="rows text-[16px]">
        {[...log].reverse().map((e) => (
          <li key={e.id} className="border-b border-stone3 py-2">
            <span
              className={standing.has(e.id) || e.kind === 'undo' ? '' : 'text-ink2 line-through'}
            >
              {visitLogText(e, log, (iso) => momentText(iso, nowMs))}
            </span>
            <span className="ml-2 text-[15px] text-ink2">
              {e.who}, {momentText(e.at, nowMs)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
};

/**
 * A machine that is in: its wheels, its promise, what it waits for, what was agreed, and all that
 * was written.
 */
export const VisitScreen = () => {
  const { id = '' } = useParams();
  const nowMs = useNow();
  const { data, error, refetch } = useVisitQuery(id, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  if (error && !data)
    return (
      <Frame title="Visit">
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
          <Link className="btn" to="/">
            Today
          </Link>
        </Failed>
      </Frame>
    );
  if (!data)
    return (
      <Frame title="Visit">
        <Waiting what="Loading visit" />
      </Frame>
    );
  const { visit, entries } = data;
  return (
    <Frame
      title={visit.machineName}
      actions={
        <div className="flex gap-2">
          <Link className="btn" to={`/visits/${visit.id}/paper`}>
            Rider sheet
          </Link>
          <Link className="btn" to="/">
            Today
          </Link>
        </div>
      }
    >
      <ul className="mb-6 border-t-2 border-ink">
        <VisitRow visit={visit} hours={hoursFrom(nowMs, HOURS)} nowMs={nowMs} isTitled />
      </ul>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Promise and approval">
          {/* Above what is still loading, so that no button moves away under a finger. */}
          <VisitActions visit={visit} />
          <EstimatePart visit={visit} agreed={foldVisit(entries).agreed} />
          {visit.missing.length > 0 && (
            <p className="mb-4">
              <Link to="/orders">Missing parts</Link>:{' '}
              {visit.missing
                .map((m) => `${m.count} × ${m.what}${m.isOrdered ? ' (ordered)' : ''}`)
                .join(', ')}
            </p>
          )}
        </section>
        <Log visit={visit} log={entries} nowMs={nowMs} />
      </div>
    </Frame>
  );
};
