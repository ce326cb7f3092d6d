import { newsTogether, type LiveNews } from '../../core/base/live';

/** The time within which writes are told together. */
const TOGETHER_MS = 40;
/** Someone who has not said for so long where they are has gone. */
const GONE_MS = 30_000;

interface Listener {
  hear(news: LiveNews): void;
  /** The shop stops, or begins again. */
  end(): void;
}

/** The person at a job, by the tab that says so. */
interface Here {
  who: string;
  jobId: string;
  saidMs: number;
}

/** Tells every screen what was written, and each who else is at its job. */
export const liveHub = (nowMs: () => number = Date.now) => {
  const listeners = new Set<Listener>();
  const here = new Map<string, Here>();
  let waiting: LiveNews | null = null;
  const tell = (news: LiveNews): void => {
    if (listeners.size === 0) return;
    const isFirst = waiting === null;
    waiting = newsTogether(waiting ?? {}, news);
    if (!isFirst) return;
    setTimeout(() => {
      const told = waiting!;
      waiting = null;
      for (const { hear } of listeners) hear(told);
    }, TOGETHER_MS).unref();
  };
  return {
    tell,
    /** Hears all news until the function it gives is called. */
    listen(listener: Listener): () => void {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    /**
     * A tab says who is at which job, or that no one is at one anymore. Returns who else is at
     * that job.
     */
    at(tab: string, who: string, jobId: string | null): string[] {
      const before = here.get(tab);
      for (const [other, { saidMs }] of here) if (nowMs() - saidMs > GONE_MS) here.delete(other);
      here.delete(tab);
      if (jobId !== null) here.set(tab, { who, jobId, saidMs: nowMs() });
      if (before?.jobId !== jobId || before?.who !== who) {
        if (before && before.jobId !== jobId) tell({ around: [before.jobId] });
        if (jobId !== null) tell({ around: [jobId] });
      }
      const others = [...here.values()]
        .filter((h) => h.jobId === jobId && h.who !== who)
        .map((h) => h.who);
      return [...new Set(others)].sort();
    },
    stop(): void {
      for (const { end } of listeners) end();
      listeners.clear();
    },
  };
};
export type LiveHub = ReturnType<typeof liveHub>;
