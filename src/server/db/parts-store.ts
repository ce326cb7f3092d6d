import { InputError } from '../../core/base/errors';
import { effectiveEntries, type Entry, type JobState } from '../../core/job';
import {
  allocate,
  orderList,
  type AllocatedPart,
  type ForJob,
  type NewOrder,
  type OrderList,
  type PartOrder,
  type WantedPart,
} from '../../core/shop/parts';
import { NotFound } from '../errors';
import type { Db } from './open-db';
import type { RecordStore } from './record-store';

/** Shelves that parts are taken from. */
const SHELVES = ['tires', 'tubes', 'strips', 'locks', 'valves', 'weights'] as const;

interface OrderRow extends Omit<PartOrder, 'jobIds' | 'came'> {
  jobIds: string;
  came: 0 | 1 | null;
}

/**
 * Parts of the jobs on the bench: reserved as they are decided, ordered where they are short,
 * received.
 */
export const partsStore = (db: Db, records: RecordStore) => {
  const statements = {
    forget: db.prepare('DELETE FROM wanted WHERE job_id = ?'),
    want: db.prepare(
      'INSERT INTO wanted (job_id, n, what, stock_id, count, since) VALUES (?, ?, ?, ?, ?, ?)',
    ),
    wanted: db.prepare<[], WantedPart>(
      'SELECT job_id AS jobId, what, stock_id AS stockId, count, since FROM wanted ORDER BY since, job_id, n',
    ),
    // What came for a job that is gone is of no use to the others.
    orders: db.prepare<[], OrderRow>(
      `SELECT id, what, stock_id AS stockId, count, supplier, job_ids AS jobIds, ordered_at AS orderedAt,
         ordered_by AS orderedBy, came FROM orders
       WHERE closed_at IS NULL OR came = 1 AND EXISTS (
         SELECT 1 FROM json_each(job_ids) j JOIN wanted ON wanted.job_id = j.value)
       ORDER BY ordered_at, id`,
    ),
    order: db.prepare<[string], OrderRow>(
      `SELECT id, what, stock_id AS stockId, count, supplier, job_ids AS jobIds, ordered_at AS orderedAt,
         ordered_by AS orderedBy, came FROM orders WHERE id = ?`,
    ),
    place: db.prepare(
      `INSERT INTO orders (id, what, stock_id, count, supplier, job_ids, ordered_at, ordered_by)
       VALUES (@id, @what, @stockId, @count, @supplier, @jobIds, @at, @who)`,
    ),
    close: db.prepare('UPDATE orders SET closed_at = ?, closed_by = ?, came = ? WHERE id = ?'),
    job: db.prepare<[string], ForJob>(
      `SELECT j.id AS jobId, j.number, j.machine_name AS machineName, j.wheel_position AS position, v.due_at AS dueAt
       FROM jobs j LEFT JOIN visits v ON v.id = j.visit_id WHERE j.id = ?`,
    ),
    suppliers: db.prepare<[], { supplier: string }>(
      'SELECT supplier FROM orders GROUP BY supplier ORDER BY max(ordered_at) DESC LIMIT 20',
    ),
  };
  const shelfOf = (stockId: string) => SHELVES.find((kind) => records.find(kind, stockId));
  const toOrder = ({ jobIds, came, ...row }: OrderRow): PartOrder => ({
    ...row,
    jobIds: JSON.parse(jobIds) as string[],
    came: came === null ? null : came === 1,
  });
  const allocated = (): { parts: AllocatedPart[]; orders: PartOrder[] } => {
    const wanted = statements.wanted.all();
    const orders = statements.orders.all().map(toOrder);
    const shelf = new Map<string, number>();
    for (const { stockId } of wanted) {
      if (stockId === null || shelf.has(stockId)) continue;
      const kind = shelfOf(stockId);
      shelf.set(stockId, kind ? records.find(kind, stockId)!.count : 0);
    }
    return { parts: allocate(wanted, shelf, orders), orders };
  };
  const find = (id: string): PartOrder => {
    const row = statements.order.get(id);
    if (!row) throw new NotFound('Order not found.');
    return toOrder(row);
  };
  const forJobs = (ids: readonly string[]): ForJob[] =>
    ids.flatMap((id) => statements.job.get(id) ?? []);

  const place = db.transaction((order: NewOrder, at: string): PartOrder => {
    // A client that lost the answer sends again.
    const known = statements.order.get(order.id);
    if (known?.what === order.what && known.count === order.count) return toOrder(known);
    if (known) throw new InputError('id', 'An order with that ID already exists.', 'Use a new ID');
    if (order.stockId !== null && !shelfOf(order.stockId))
      throw new InputError(
        'stockId',
        'Part not found in stock.',
        'Choose a part in stock, or none',
      );
    statements.place.run({ ...order, jobIds: JSON.stringify(order.jobIds), at });
    return find(order.id);
  });
  const close = db.transaction((id: string, came: boolean, who: string, at: string): PartOrder => {
    const order = find(id);
    if (order.came === came) return order;
    if (order.came !== null)
      throw new InputError(
        'id',
        order.came ? 'This order was already received.' : 'This order was canceled.',
        'Choose an open order',
      );
    statements.close.run(at, who, Number(came), id);
    const kind = came && order.stockId !== null ? shelfOf(order.stockId) : undefined;
    if (kind) {
      const record = records.find(kind, order.stockId!)!;
      records.change(kind, { ...record, count: record.count + order.count } as never);
    }
    return find(id);
  });

  return {
    /** The parts that a job wants, by its log: none once it is handed over. */
    settle(jobId: string, log: readonly Entry[], state: JobState): void {
      statements.forget.run(jobId);
      if (state.handedOver || !state.chosen) return;
      const since = effectiveEntries(log).findLast((e) => e.kind === 'chosen')!.at;
      state.chosen.parts.forEach(({ what, count, stockId }, n) =>
        statements.want.run(jobId, n, what, stockId, count, since),
      );
    },
    allocated: () => allocated().parts,
    /** The price of one, in the smallest coin; null where the shelf does not know it. */
    priceOf(stockId: string | null): number | null {
      const kind = stockId === null ? undefined : shelfOf(stockId);
      return kind ? records.find(kind, stockId!)!.priceMinor : null;
    },
    /** The reserved parts and their jobs, the earliest first. */
    reserved: () =>
      allocated()
        .parts.filter((p) => p.stockId !== null && p.here > 0)
        .map(({ jobId, stockId, here, since }) => ({
          jobId,
          stockId: stockId!,
          count: here,
          since,
        })),
    /** Parts to order and on order. */
    list(): OrderList {
      const { parts, orders } = allocated();
      return {
        short: orderList(parts).map(({ jobIds, ...part }) => ({ ...part, jobs: forJobs(jobIds) })),
        ordered: orders
          .filter((o) => o.came === null)
          .map((o) => ({ ...o, jobs: forJobs(o.jobIds) })),
        suppliers: statements.suppliers.all().map((s) => s.supplier),
      };
    },
    place: (order: NewOrder, at = new Date().toISOString()) => place.immediate(order, at),
    close: (id: string, came: boolean, who: string, at = new Date().toISOString()) =>
      close.immediate(id, came, who, at),
  };
};
export type PartsStore = ReturnType<typeof partsStore>;
