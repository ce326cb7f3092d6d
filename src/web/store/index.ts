import { configureStore, createSelector } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { foldJob, jobReport, type Entry } from '../../core/job';
import { localDayOf } from '../../core/units';
import { dropped, jobsReducer } from './jobs-slice';
import { onParcelGone, saveOutbox } from './outbox';
import { prefsReducer, savePrefs } from './prefs-slice';
import { shopReducer } from './shop-slice';
import { visitsApi } from './visits-api';

export const store = configureStore({
  reducer: { jobs: jobsReducer, shop: shopReducer, prefs: prefsReducer, visits: visitsApi.reducer },
  middleware: (usual) => usual().concat(visitsApi.middleware),
});

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
export const useApp = useSelector.withTypes<RootState>();
export const useDo = useDispatch.withTypes<AppDispatch>();

let last = store.getState();
store.subscribe(() => {
  const now = store.getState();
  if (now.prefs !== last.prefs) savePrefs(now.prefs);
  if (now.jobs.outbox !== last.jobs.outbox) saveOutbox(last.jobs.outbox, now.jobs.outbox);
  last = now;
});
onParcelGone((parcelId) => store.dispatch(dropped(parcelId)));

/** Today in the shop's own time zone, YYYY-MM-DD. */
export const today = (): string => localDayOf(new Date());

const NO_ENTRIES: readonly Entry[] = [];

/** The log of a job as this browser knows it. */
export const selectLog = (state: RootState, id: string): readonly Entry[] =>
  (state.jobs.open[id]?.entries as readonly Entry[] | undefined) ?? NO_ENTRIES;

/** The state folded from a job's log. */
export const selectJobState = createSelector([selectLog], (log) => foldJob(log));

/** How far every station of a job is. */
export const selectReport = createSelector([selectJobState], (state) => jobReport(state, today()));
