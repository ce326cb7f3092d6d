import type { LiveNews } from '../../core/base/live';
import type { AppDispatch, RootState } from '.';
import { loadAuth } from './auth-slice';
import { readJob } from './job-reading';
import { linkFound, linkLost } from './link-slice';
import { sendNow } from './outbox-sender';
import { shopChanged } from './records-api';
import { visitsApi } from './visits-api';

/** The channel between the tabs of one browser, so that only one of them listens to the server. */
const CHANNEL = 'rimstone-live';
/** The pause of a tab before it listens again, if the stream could not be had. */
const AGAIN_MS = 5000;

type Store = { dispatch: AppDispatch; getState: () => RootState };

/** The time within which writes are read again together. */
const TOGETHER_MS = 400;

/** The listeners for people who come to a job or leave it. */
const aroundListeners = new Set<(jobIds: readonly string[]) => void>();

export const onAround = (listener: (jobIds: readonly string[]) => void): (() => void) => {
  aroundListeners.add(listener);
  return () => void aroundListeners.delete(listener);
};

const TAGS = ['Visit', 'Order', 'Recheck', 'Backup'] as never[];

let stale: ReturnType<typeof setTimeout> | null = null;
/** Many entries in a moment make what was read stale once. */
const staleSoon = (dispatch: AppDispatch): void => {
  stale ??= setTimeout(() => {
    stale = null;
    dispatch(visitsApi.util.invalidateTags(TAGS));
  }, TOGETHER_MS);
};

/** Brings what this tab shows up to what was written elsewhere. */
const take = ({ dispatch, getState }: Store, { jobs = {}, day, shop, around }: LiveNews): void => {
  const { open } = getState().jobs;
  const grown = Object.entries(jobs).filter(
    ([id, seq]) => open[id] && (open[id].entries.at(-1)?.seq ?? 0) < seq,
  );
  for (const [id] of grown) void dispatch(readJob(id));
  if (day || Object.keys(jobs).length > 0) staleSoon(dispatch);
  if (shop) void dispatch(shopChanged());
  if (around) for (const listener of aroundListeners) listener(around);
};

/**
 * After a silence no one knows what was missed: all that is shown is read again, and what waited
 * goes.
 */
const takeAll = ({ dispatch, getState }: Store): void => {
  dispatch(linkFound());
  void dispatch(loadAuth());
  void dispatch(sendNow());
  for (const id of Object.keys(getState().jobs.open)) void dispatch(readJob(id));
  dispatch(visitsApi.util.invalidateTags(TAGS));
  void dispatch(shopChanged());
};

/**
 * The message of a tab that listens to the others: news, or that the stream was lost, or came back.
 */
type Told = LiveNews | 'lost' | 'again';

/** Hears the shop's stream until it is ended. */
const hear = (news: (told: Told) => void): void => {
  let wasLost = false;
  const listen = () => {
    const stream = new EventSource('/api/live');
    stream.onopen = () => {
      if (wasLost) news('again');
      wasLost = false;
    };
    stream.onmessage = ({ data }) => news(JSON.parse(data as string) as LiveNews);
    stream.onerror = () => {
      if (!wasLost) news('lost');
      wasLost = true;
      // A refusal ends it for good; a lost line is taken up again by itself.
      if (stream.readyState === EventSource.CLOSED) setTimeout(listen, AGAIN_MS);
    };
  };
  listen();
};

/**
 * Keeps this tab at what every bench writes. One tab of a browser listens and tells the others: a
 * browser opens only a few connections. Where it cannot be agreed which (no locks beyond this
 * machine without TLS), each listens for itself.
 */
export const followShop = (store: Store): void => {
  const told = (news: Told) => {
    if (news === 'again') takeAll(store);
    else if (news === 'lost') {
      store.dispatch(linkLost(new Date().toISOString()));
      // It ends as well for who was signed out from elsewhere.
      void store.dispatch(loadAuth());
    } else take(store, news);
  };
  if (!('locks' in navigator)) return hear(told);
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }) => told(data as Told);
  void navigator.locks.request(CHANNEL, () => {
    hear((news) => {
      told(news);
      channel.postMessage(news);
    });
    // Held until the tab is closed; then another one takes over.
    return new Promise<void>(() => undefined);
  });
};
