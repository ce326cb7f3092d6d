import { nanoid } from '@reduxjs/toolkit';
import { useId, useState } from 'react';
import { Link } from 'react-router';
import type { OnItsWay, ToOrder } from '../../core/shop/parts';
import { POSITION_WORDS } from '../../core/fit/wheels';
import { Button } from '../parts/Button';
import { TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { Spoken } from '../shared/Spoken';
import { useApp, useDo } from '../store';
import { announce } from '../store/jobs-slice';
import {
  useCloseOrderMutation,
  useOrderListQuery,
  usePlaceOrderMutation,
} from '../store/parts-api';
import { shopChanged } from '../store/records-api';
import { serverProblem } from '../shared/server-problem';
import { momentText } from '../parts/moment-text';
import { useNow } from '../parts/use-now';

const ASK_MS = 30_000;

/** The jobs that a part is for, each with the promise of its machine. */
const For = ({ jobs, nowMs }: { jobs: ToOrder['jobs']; nowMs: number }) => (
  <span className="text-[16px]">
    {jobs.map((j, i) => (
      <span key={j.jobId}>
        {i > 0 && '; '}
        <Link to={`/jobs/${j.jobId}/choose`}>
          {j.machineName}, {POSITION_WORDS[j.position].toLowerCase()}
        </Link>
        {j.dueAt && <span className="text-ink2">, {momentText(j.dueAt, nowMs)}</span>}
      </span>
    ))}
    {jobs.length === 0 && <span className="text-ink2">for stock</span>}
  </span>
);

const Counted = ({ part }: { part: ToOrder }) => (
  <span className="head text-lg leading-tight">
    <span className="num">{part.count}</span> × {part.what}
  </span>
);

const ShortRow = ({
  part,
  suppliers,
  nowMs,
}: {
  part: ToOrder;
  suppliers: readonly string[];
  nowMs: number;
}) => {
  const who = useApp((s) => s.prefs.who);
  const [place, { isLoading }] = usePlaceOrderMutation();
  // Made once: sent again after a lost answer it is the same order.
  const [id] = useState(nanoid);
  const [supplier, setSupplier] = useState(suppliers[0] ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const list = useId();
  const order = async () => {
    if (!who) return setProblem('Choose who’s working first: tap the initials, top right.');
    try {
      const { what, stockId, count, jobs } = part;
      await place({
        id,
        what,
        stockId,
        count,
        supplier: supplier.trim(),
        jobIds: jobs.map((j) => j.jobId),
        who,
      }).unwrap();
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <li className="grid items-end gap-x-4 gap-y-1 border-b border-stone3 px-2 py-2 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.4fr)_220px_120px]">
      <span className="self-center">
        <Counted part={part} />
      </span>
      <span className="self-center">
        <For jobs={part.jobs} nowMs={nowMs} />
      </span>
      <TextField
        label="Supplier"
        value={supplier}
        onChange={setSupplier}
        maxLength={80}
        list={list}
      />
      <datalist id={list}>
        {suppliers.map((s) => (
          <option key={s} value={s} />
        ))}
      </datalist>
      <Button small disabled={isLoading} onClick={() => void order()}>
        Mark ordered
      </Button>
      {problem && (
        <p role="alert" className="text-stop md:col-span-4">
          {problem}
        </p>
      )}
    </li>
  );
};

const WayRow = ({ order, nowMs }: { order: OnItsWay; nowMs: number }) => {
  const who = useApp((s) => s.prefs.who);
  const dispatch = useDo();
  const [close, { isLoading }] = useCloseOrderMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const end = async (how: 'received' | 'called-off') => {
    if (!who) return setProblem('Choose who’s working first: tap the initials, top right.');
    try {
      await close({ id: order.id, how, who }).unwrap();
      await dispatch(shopChanged());
      dispatch(
        announce({
          text: how === 'received' ? `Received: ${order.what}.` : `Canceled: ${order.what}.`,
          tone: 'good',
        }),
      );
    } catch (error) {
      setProblem(serverProblem(error));
    }
  };
  return (
    <li className="grid items-center gap-x-4 gap-y-1 border-b border-stone3 px-2 py-2 md:grid-cols-[minmax(0,1.2fr)_minmax(0,1.4fr)_minmax(0,1fr)_auto]">
      <Counted part={order} />
      <For jobs={order.jobs} nowMs={nowMs} />
      <span className="text-[16px] text-ink2">
        {order.supplier && `${order.supplier}, `}
        {momentText(order.orderedAt, nowMs)}, {order.orderedBy}
      </span>
      <span className="flex gap-2">
        <Button small go disabled={isLoading} onClick={() => void end('received')}>
          Received
        </Button>
        <Button small disabled={isLoading} onClick={() => void end('called-off')}>
          Cancel order
        </Button>
      </span>
      {problem && (
        <p role="alert" className="text-stop md:col-span-4">
          {problem}
        </p>
      )}
    </li>
  );
};

/**
 * The parts that the jobs on the bench want and the shelf does not have: to order, and on their
 * way.
 */
export const OrdersScreen = () => {
  const nowMs = useNow();
  const { data, error, refetch } = useOrderListQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  return (
    <Frame
      title="Parts to order"
      actions={
        <div className="flex flex-wrap gap-2">
          <a className="btn" href="/api/order-list.csv">
            List, CSV
          </a>
          <Link className="btn" to="/">
            Today
          </Link>
        </div>
      }
    >
      {error && !data && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading stock" />}
      {data && (
        <>
          {data.short.length === 0 ? (
            <p className="py-8 text-center text-xl text-ink2">
              Nothing to order: every part is in stock or on order.
            </p>
          ) : (
            <ul className="rows" aria-label="To order">
              {data.short.map((part) => (
                <ShortRow
                  key={`${part.stockId ?? ''} ${part.what} ${part.count}`}
                  part={part}
                  suppliers={data.suppliers}
                  nowMs={nowMs}
                />
              ))}
            </ul>
          )}
          {data.ordered.length > 0 && (
            <section className="mt-8">
              <h2 className="text-2xl">On order</h2>
              <ul className="rows" aria-label="On order">
                {data.ordered.map((order) => (
                  <WayRow key={order.id} order={order} nowMs={nowMs} />
                ))}
              </ul>
            </section>
          )}
        </>
      )}
      <Spoken />
    </Frame>
  );
};
