/** A part of the shelf that a job on the bench has. */
export interface Reserved {
  jobId: string;
  stockId: string;
  count: number;
  /** When it was decided, ISO 8601. */
  since: string;
}

/** A shelf as a job may count on it: without what jobs have that decided before it. */
export const availableStock = <T extends { id: string; count: number }>(
  shelf: readonly T[],
  reserved: readonly Reserved[],
  jobId: string,
): T[] =>
  shelf.map((item) => {
    const its = reserved.filter((r) => r.stockId === item.id);
    if (its.length === 0) return item;
    const mine = its.find((r) => r.jobId === jobId)?.since ?? '9999';
    const gone = its
      .filter((r) => r.jobId !== jobId && r.since < mine)
      .reduce((n, r) => n + r.count, 0);
    return gone === 0 ? item : { ...item, count: Math.max(0, item.count - gone) };
  });
