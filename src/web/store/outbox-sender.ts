import { refusalText } from '../../core/base/errors';
import type { Entry } from '../../core/job';
import type { AppDispatch, RootState } from '.';
import { api, ApiError } from './api';
import { announce, arrived, changed, gone, jobRead, logGrew, outboxRead } from './jobs-slice';
import { changeKept, keptParcel, keptParcels, letGo, pictureOf } from './outbox-store';
import { goesByItself, type PendingEntries } from './pending-entries';
import { selectUnits } from './shop-selectors';

/**
 * The outcome of a write: the server has it; it is kept and sent automatically; someone has to
 * look; it can never be written.
 */
export type Outcome = 'written' | 'waiting' | 'conflict' | 'refused';

type Thunk<T> = (dispatch: AppDispatch, getState: () => RootState) => Promise<T>;

/**
 * Answers that judge the entry itself: sent again it would be refused again. After any other it
 * goes on waiting.
 */
const JUDGED = [400, 404, 409, 413, 415, 422];
/**
 * Fields of a 403 that judges the entry; one in another person's name (`who`) waits until that
 * person signs in.
 */
const JUDGED_FIELDS = ['role', 'approval'];
const isJudged = ({ status, field }: ApiError): boolean =>
  JUDGED.includes(status) || (status === 403 && JUDGED_FIELDS.includes(field));
/** The wait for an answer before an entry is shown as unsent. */
const PATIENCE_MS = 1000;
/** Less than this is no wait, but the time that an answer takes. */
const SHORT_S = 5;
const LONGEST_WAIT_S = 2_592_000;
const FIRST_RETRY_MS = 2000;
const LAST_RETRY_MS = 30_000;

/** The tabs of a browser tell each other that what is kept has changed. */
let channel: BroadcastChannel | null = null;
const tellTabs = (): void => channel?.postMessage('changed');

/** Ids of pendingEntries that this page has let go of: a slow disk may still show them. */
const done = new Set<string>();

/** The callers that wait for the first word on pending entries. */
const waiters = new Map<string, (outcome: Outcome) => void>();
const settle = (id: string, outcome: Outcome): void => {
  waiters.get(id)?.(outcome);
  waiters.delete(id);
};

/**
 * One after the other for each job, in this tab and, where the browser has locks, in all of them.
 */
const queues = new Map<string, Promise<unknown>>();
const serialQueue = (jobId: string, task: () => Promise<void>): Promise<void> => {
  const alone =
    'locks' in navigator
      ? () => navigator.locks.request(`rimstone-outbox/${jobId}`, task).then(() => undefined)
      : task;
  const next = (queues.get(jobId) ?? Promise.resolve()).then(alone, alone);
  queues.set(jobId, next);
  return next;
};

/** Changes pending entries here and on disk; other tabs hear of it. */
const change =
  (id: string, to: Partial<PendingEntries>): Thunk<void> =>
  async (dispatch) => {
    dispatch(changed({ id, change: to }));
    await changeKept(id, to);
    tellTabs();
  };

/** Lets go of pending entries here and on disk. */
export const drop =
  (id: string): Thunk<void> =>
  async (dispatch) => {
    done.add(id);
    dispatch(gone(id));
    await letGo(id);
    tellTabs();
  };

/** Sends the photograph first, where one goes before. Throws `ApiError`. */
const withPhotograph =
  (pending: PendingEntries): Thunk<PendingEntries> =>
  async (dispatch) => {
    const picture = pending.hasPicture && (await pictureOf(pending.id));
    if (!picture) return pending;
    const { photoId } = await api.addPhoto(picture);
    const bodies = pending.bodies.map((b) =>
      b.kind === 'photo' ? ({ ...b, data: { ...b.data, photoId } } as typeof b) : b,
    );
    await dispatch(change(pending.id, { bodies, hasPicture: false }));
    return { ...pending, bodies, hasPicture: false };
  };

const waitedS = ({ writtenAt }: PendingEntries): number => {
  const seconds = Math.round((Date.now() - Date.parse(writtenAt)) / 1000);
  return seconds < SHORT_S ? 0 : Math.min(seconds, LONGEST_WAIT_S);
};

/** Moves entries written after the same entry as pending ones behind them. */
const follow =
  (jobId: string, from: number, to: number): Thunk<void> =>
  async (dispatch, getState) => {
    const after = getState().jobs.outbox.filter(
      (p) => p.jobId === jobId && p.afterSeq === from && goesByItself(p),
    );
    for (const { id } of after) await dispatch(change(id, { afterSeq: to }));
  };

/**
 * Someone else wrote into the log: what waits for this job was written without knowing it, and
 * waits for a word.
 */
const hold =
  (jobId: string, unseen: Entry[]): Thunk<void> =>
  async (dispatch, getState) => {
    dispatch(logGrew({ jobId, entries: unseen }));
    for (const { id } of getState().jobs.outbox.filter(
      (p) => p.jobId === jobId && goesByItself(p),
    )) {
      const kept = dispatch(change(id, { status: 'conflict' }));
      settle(id, 'conflict');
      await kept;
    }
  };

/** The server cannot be had: what is on its way to a job waits, and the fitter works on. */
const leaveWaiting =
  (jobId: string, why: string): Thunk<void> =>
  async (dispatch, getState) => {
    for (const { id } of getState().jobs.outbox.filter(
      (p) => p.jobId === jobId && goesByItself(p),
    )) {
      const kept = dispatch(change(id, { status: 'unsent', why }));
      settle(id, 'waiting');
      await kept;
    }
  };

/**
 * The log holds what this browser has not seen. What waits here and is among it, by its ids, was
 * sent: a page that was killed does not remember that. Only what another person wrote asks for a
 * decision.
 */
const logMovedOn =
  ({ jobId, afterSeq, bodies }: PendingEntries, unseen: Entry[]): Thunk<void> =>
  async (dispatch, getState) => {
    const there = new Set(unseen.map((e) => e.id));
    const isThere = (p: PendingEntries) =>
      p.jobId === jobId && p.bodies.every((b) => there.has(b.id));
    for (const { id } of getState().jobs.outbox.filter(isThere)) {
      settle(id, 'written');
      await dispatch(drop(id));
    }
    const me = bodies[0]?.who;
    if (unseen.length === 0 || unseen.some((e) => e.who !== me))
      return dispatch(hold(jobId, unseen));
    dispatch(logGrew({ jobId, entries: unseen }));
    await dispatch(follow(jobId, afterSeq, unseen.at(-1)!.seq));
  };

/** Sends one batch of pending entries. False where the server cannot be had now. */
const deliver =
  (pending: PendingEntries): Thunk<boolean> =>
  async (dispatch, getState) => {
    const { id, jobId, afterSeq } = pending;
    const knows = () => getState().jobs.outbox.find((p) => p.id === id);
    try {
      const { bodies } = await dispatch(withPhotograph(pending));
      const { entries } = await api.append(jobId, afterSeq, bodies, waitedS(pending));
      dispatch(arrived({ id, jobId, entries }));
      // The screen goes on with what it shows now; the disk may take its time.
      settle(id, 'written');
      await dispatch(drop(id));
      await dispatch(follow(jobId, afterSeq, entries.at(-1)!.seq));
      return true;
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      if (error.status === 409 && error.field === 'expectedSeq') {
        await dispatch(logMovedOn(pending, error.unseen));
        return true;
      }
      if (!isJudged(error)) {
        await dispatch(leaveWaiting(jobId, error.message));
        return false;
      }
      // What the fitter still has before him is said; what he was told is kept waits for his word.
      if (knows()?.status === 'sending') {
        dispatch(
          announce({
            text: `Not saved. ${refusalText(error, selectUnits(getState()))}`,
            tone: 'stop',
          }),
        );
        await dispatch(drop(id));
      } else
        await dispatch(
          change(id, { status: 'refused', why: refusalText(error, selectUnits(getState())) }),
        );
      settle(id, 'refused');
      return true;
    }
  };

/** Sends what waits for a job, in order, until it is through or the server cannot be had. */
const sendJob =
  (jobId: string): Thunk<void> =>
  (dispatch, getState) =>
    serialQueue(jobId, async () => {
      for (;;) {
        const pending = getState().jobs.outbox.find((p) => p.jobId === jobId && goesByItself(p));
        if (!pending) return;
        const there = pending.isKept ? await keptParcel(pending.id) : pending;
        if (there === null) {
          // Another tab has sent it.
          dispatch(gone(pending.id));
          const read = await api.job(jobId).catch(() => null);
          if (read) dispatch(jobRead(read));
          settle(pending.id, 'written');
        } else if (!(await dispatch(deliver({ ...(there ?? pending), status: pending.status }))))
          return;
      }
    });

let retry: ReturnType<typeof setTimeout> | null = null;
let retryMs = FIRST_RETRY_MS;

/** Sends all that goes by itself; what cannot be sent now is tried again, less often each time. */
const sendAll =
  (): Thunk<void> =>
  async (dispatch, getState): Promise<void> => {
    if (retry) clearTimeout(retry);
    retry = null;
    const waiting = () => getState().jobs.outbox.filter(goesByItself);
    await Promise.all(
      [...new Set(waiting().map((p) => p.jobId))].map((jobId) => dispatch(sendJob(jobId))),
    );
    if (waiting().length === 0) {
      retryMs = FIRST_RETRY_MS;
      return;
    }
    retry ??= setTimeout(() => void dispatch(sendAll()), retryMs);
    retryMs = Math.min(retryMs * 2, LAST_RETRY_MS);
  };

/** Tries at once, since the server is there again or the fitter says so. */
export const sendNow = (): Thunk<void> => {
  retryMs = FIRST_RETRY_MS;
  return sendAll();
};

/**
 * Sends pending entries that was just posted and says how it stands, before the fitter's patience
 * ends.
 */
export const sendPosted =
  ({ id }: PendingEntries): Thunk<Outcome> =>
  async (dispatch, getState) => {
    const word = new Promise<Outcome>((say) => waiters.set(id, say));
    const patience = setTimeout(() => {
      if (getState().jobs.outbox.some((p) => p.id === id && p.status === 'sending'))
        void dispatch(change(id, { status: 'unsent', why: 'Waiting for the server.' }));
      settle(id, 'waiting');
    }, PATIENCE_MS);
    void dispatch(sendAll());
    const outcome = await word;
    clearTimeout(patience);
    return outcome;
  };

/** Writes what waited for a word after all, in order, behind what the log holds now. */
export const writeAfterAll =
  (pendingEntries: readonly PendingEntries[]): Thunk<void> =>
  async (dispatch, getState) => {
    for (const { id, jobId, afterSeq } of pendingEntries) {
      const newest = getState().jobs.open[jobId]?.entries.at(-1)?.seq ?? afterSeq;
      await dispatch(change(id, { status: 'unsent', why: 'Sending.', afterSeq: newest }));
    }
    await dispatch(sendNow());
  };

/**
 * Brings in what this browser kept, and keeps the tabs in step; to be called once when the page
 * starts.
 */
export const startOutbox =
  (): Thunk<void> =>
  async (dispatch): Promise<void> => {
    const read = async () => {
      const kept = await keptParcels();
      dispatch(outboxRead(kept.filter((p) => !done.has(p.id))));
    };
    if (typeof BroadcastChannel !== 'undefined') channel = new BroadcastChannel('rimstone-outbox');
    channel?.addEventListener('message', () => void read());
    globalThis.addEventListener?.('online', () => void dispatch(sendNow()));
    await read();
    await dispatch(sendAll());
  };
