/** A part that a job on the bench wants; `stockId` null where it is none of the shelf's. */
export interface WantedPart {
  jobId: string;
  what: string;
  stockId: string | null;
  count: number;
  /** When it was decided, ISO 8601: who decided first has it. */
  since: string;
}

/** An order that is on its way, or came. */
export interface PartOrder {
  id: string;
  what: string;
  stockId: string | null;
  count: number;
  supplier: string;
  /** The jobs that it was ordered for. */
  jobIds: string[];
  orderedAt: string;
  orderedBy: string;
  /** Null while it is on its way; false where it was called off. */
  came: boolean | null;
}

/** The state of a wanted part: so many are here, on their way, and neither. */
export interface AllocatedPart extends WantedPart {
  here: number;
  ordered: number;
  short: number;
}

/** One part in the list of what to order. */
export interface ShortPart {
  what: string;
  stockId: string | null;
  count: number;
  jobIds: string[];
}

/** Parts are the same by their place on the shelf, else by what they are called. */
const keyOf = ({ stockId, what }: { stockId: string | null; what: string }): string =>
  stockId === null ? `what ${what.toLowerCase()}` : `stock ${stockId}`;

const takeFrom = (left: Map<string, number>, key: string, wanted: number): number => {
  const taken = Math.min(wanted, left.get(key) ?? 0);
  if (taken > 0) left.set(key, left.get(key)! - taken);
  return taken;
};

/** An order that came for jobs, and how much of it is not given yet. */
interface CameOrder {
  key: string;
  jobIds: readonly string[];
  left: number;
}

/** Takes from the orders that came for a job; a part that came for two jobs is given once. */
const takeCame = (
  came: readonly CameOrder[],
  key: string,
  { jobId, count }: WantedPart,
): number => {
  let taken = 0;
  for (const order of came) {
    if (order.key !== key || !order.jobIds.includes(jobId)) continue;
    const some = Math.min(count - taken, order.left);
    taken += some;
    order.left -= some;
  }
  return taken;
};

/**
 * Gives what is on the shelf, and then what is on its way, to the jobs in the order in which they
 * decided: a part is never counted on twice. What is none of the shelf's is here once an order for
 * that very job came. `shelf` counts by id.
 */
export const allocate = (
  wanted: readonly WantedPart[],
  shelf: ReadonlyMap<string, number>,
  orders: readonly PartOrder[],
): AllocatedPart[] => {
  const onShelf = new Map([...shelf].map(([id, count]) => [`stock ${id}`, count]));
  const onWay = new Map<string, number>();
  /** The arrivals of parts that are not kept on the shelf, order by order. */
  const came: CameOrder[] = [];
  for (const order of orders) {
    const key = keyOf(order);
    if (order.came === null) onWay.set(key, (onWay.get(key) ?? 0) + order.count);
    // What came for the shelf stands on the shelf.
    else if (order.came && order.stockId === null)
      came.push({ key, jobIds: order.jobIds, left: order.count });
  }
  return [...wanted]
    .sort((a, b) => a.since.localeCompare(b.since) || a.jobId.localeCompare(b.jobId))
    .map((part) => {
      const key = keyOf(part);
      const here =
        part.stockId === null ? takeCame(came, key, part) : takeFrom(onShelf, key, part.count);
      const ordered = takeFrom(onWay, key, part.count - here);
      return { ...part, here, ordered, short: part.count - here - ordered };
    });
};

/** The shortages, each part once, for which jobs: the list of what to order. */
export const orderList = (parts: readonly AllocatedPart[]): ShortPart[] => {
  const list = new Map<string, ShortPart>();
  for (const part of parts) {
    if (part.short === 0) continue;
    const { what, stockId, short, jobId } = part;
    const known = list.get(keyOf(part));
    list.set(keyOf(part), {
      what: known?.what ?? what,
      stockId,
      count: (known?.count ?? 0) + short,
      jobIds: [...new Set([...(known?.jobIds ?? []), jobId])],
    });
  }
  return [...list.values()];
};
