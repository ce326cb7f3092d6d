/**
 * News of the server for every screen of the shop: which logs have grown, and what else was
 * written.
 */
export interface LiveNews {
  /** Job id to the number of its newest entry. */
  jobs?: Record<string, number>;
  /** Something of the day: visits, orders, rechecks, backups. */
  day?: true;
  /** Records, people or rules. */
  shop?: true;
  /** Jobs that someone came to, or left. */
  around?: string[];
}

/** News of a short while in one, so that many writes are told once. */
export const newsTogether = (a: LiveNews, b: LiveNews): LiveNews => ({
  ...a,
  ...b,
  ...((a.jobs ?? b.jobs) && { jobs: { ...a.jobs, ...b.jobs } }),
  ...((a.around ?? b.around) && {
    around: [...new Set([...(a.around ?? []), ...(b.around ?? [])])],
  }),
});
