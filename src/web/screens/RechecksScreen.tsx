import { dateText } from '../../core/base/units';
import { mayDo } from '../../core/shop/auth';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { riderText, type RecheckRow } from '../../core/job/recheck';
import { Button } from '../parts/Button';
import { TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { Spoken } from '../shared/Spoken';
import { useAddressTexts } from '../parts/use-address';
import { today, useApp, useDo } from '../store';
import { announce } from '../store/jobs-slice';
import { useCalendarKeyQuery, useRecheckPagesInfiniteQuery } from '../store/rechecks-api';
import { serverProblem } from '../shared/server-problem';
import { LookSheet } from './recheck/LookSheet';
import { dueDayText, recheckAddress, recheckName } from './recheck/recheck-words';
import { useDebounced } from '../parts/use-debounced';

const PAGE = 50;
const IN_ADDRESS = ['search', 'state'] as const;

const Row = ({
  row,
  on,
  onCopy,
}: {
  row: RecheckRow;
  on: string;
  onCopy: (rider: string) => void;
}) => {
  const isOver = row.closed === null && row.dueOn < on;
  return (
    <li className="grid items-center gap-x-4 border-b border-stone3 px-2 py-1.5 md:grid-cols-[170px_minmax(0,1.3fr)_minmax(0,1.4fr)_150px]">
      <span className={isOver ? 'font-semibold text-stop' : ''}>
        {row.closed ? dateText(row.closed.at) : dueDayText(row.dueOn, on)}
      </span>
      <Link
        to={recheckAddress(row)}
        className="flex min-h-10 min-w-0 items-center no-underline hover:underline"
      >
        <span className="min-w-0">
          <span className="head block text-lg leading-tight">{recheckName(row)}</span>
          {row.rider && <span className="block text-[15px] text-ink2">{row.rider}</span>}
        </span>
      </Link>
      <span>
        {row.what}
        {row.closed && (
          <span className="block text-[15px] text-ink2">
            {row.closed.by}: {row.closed.good ? 'as it should be' : 'not as it should be'}
            {row.closed.found && `; ${row.closed.found}`}
          </span>
        )}
      </span>
      {row.rider && !row.closed ? (
        <Button small onClick={() => onCopy(row.rider!)}>
          Copy rider text
        </Button>
      ) : (
        <span />
      )}
    </li>
  );
};

/**
 * All that is to be looked at again, or was; as a calendar; and a few words to copy for a rider.
 */
export const RechecksScreen = () => {
  const [{ search, state }, ask] = useAddressTexts(IN_ADDRESS);
  const dispatch = useDo();
  const shopName = useApp((s) => s.shop.shop?.name ?? '');
  const { areClosed, me } = useApp((s) => s.auth);
  // A calendar program cannot sign in: where people do, the address holds a key.
  const { data: key } = useCalendarKeyQuery(undefined, {
    skip: !areClosed || !me || !mayDo(me.role, 'trade'),
  });
  const feed = `${window.location.origin}/api/rechecks.ics${key ? `?key=${key}` : ''}`;
  const isDone = state === 'done';
  const wanted = useDebounced(search.trim());
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetching } =
    useRecheckPagesInfiniteQuery(
      { state: isDone ? 'done' : 'open', search: wanted, limit: PAGE },
      { refetchOnMountOrArgChange: true },
    );
  const rows = useMemo(() => data?.pages.flatMap((p) => p.rechecks) ?? [], [data]);
  const [copied, setCopied] = useState<string | null>(null);
  const on = today();
  const copy = async (link: string, spoken: string) => {
    setCopied(link);
    try {
      await navigator.clipboard.writeText(link);
      dispatch(announce({ text: spoken, tone: 'good' }));
    } catch {
      dispatch(
        announce({ text: 'This browser blocked the copy. The text is below.', tone: 'stop' }),
      );
    }
  };
  const copyFor = (rider: string) =>
    void copy(
      riderText(
        rows.filter((r) => r.rider === rider && !r.closed),
        shopName,
      ),
      `The text for ${rider} is copied.`,
    );
  return (
    <Frame
      title="Rechecks"
      actions={
        <div className="flex flex-wrap gap-2">
          <a className="btn" href="/api/rechecks.ics" download="look-again.ics">
            Calendar, .ics
          </a>
          <Button
            onClick={() =>
              void copy(feed, 'Link copied. A calendar program on this network can read it.')
            }
          >
            Copy calendar link
          </Button>
        </div>
      }
    >
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <div className="min-w-0 flex-1 basis-72">
          <TextField
            label="Find by machine, rider, wheel or what"
            value={search}
            onChange={(text) => ask({ search: text })}
            maxLength={100}
          />
        </div>
        <Button onClick={() => ask({ state: isDone ? '' : 'done' }, true)}>
          {isDone ? 'Show open' : 'Show closed'}
        </Button>
      </div>
      {copied && (
        <p
          className="mb-3 border-l-4 border-lip bg-paper p-3 text-[16px] break-words select-all"
          aria-label="Copied"
        >
          {copied}
        </p>
      )}
      {error && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading rechecks" />}
      {data && rows.length === 0 && (
        <p className="py-14 text-center text-xl text-ink2">
          {wanted
            ? 'No matches. Try fewer words.'
            : isDone
              ? 'No closed rechecks.'
              : 'No open rechecks.'}
        </p>
      )}
      {rows.length > 0 && (
        <ul className="rows" aria-label={isDone ? 'Checked' : 'Due for a recheck'}>
          {rows.map((row) => (
            <Row key={row.id} row={row} on={on} onCopy={copyFor} />
          ))}
        </ul>
      )}
      {hasNextPage && (
        <div className="py-5 text-center">
          <Button disabled={isFetching} onClick={() => void fetchNextPage()}>
            Show more
          </Button>
        </div>
      )}
      <Spoken />
      <LookSheet />
    </Frame>
  );
};
