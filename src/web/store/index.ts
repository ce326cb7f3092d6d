import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { localDayOf } from '../../core/base/units';
import { authReducer } from './auth-slice';
import { jobsReducer } from './jobs-slice';
import { linkReducer } from './link-slice';
import { prefsReducer, savePrefs } from './prefs-slice';
import { shopReducer } from './shop-slice';
import { visitsApi } from './visits-api';

export { selectCurrency, selectUnits } from './shop-selectors';

export const store = configureStore({
  reducer: {
    auth: authReducer,
    jobs: jobsReducer,
    link: linkReducer,
    shop: shopReducer,
    prefs: prefsReducer,
    visits: visitsApi.reducer,
  },
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
  last = now;
});

/** Today in the shop's own time zone, YYYY-MM-DD. */
export const today = (): string => localDayOf(new Date());
