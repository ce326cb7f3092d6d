import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { createSelector } from '@reduxjs/toolkit';
import { localDayOf, unitsOfSystem, type UnitPreferences } from '../../core/base/units';
import { authReducer } from './auth-slice';
import { jobsReducer } from './jobs-slice';
import { linkReducer } from './link-slice';
import { prefsReducer, savePrefs } from './prefs-slice';
import { shopReducer } from './shop-slice';
import { visitsApi } from './visits-api';

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

/** The units that this device shows: the shop's choice, and what was changed on the device. */
export const selectUnits: (state: RootState) => UnitPreferences = createSelector(
  (s: RootState) => s.shop.shop?.rules.find((r) => r.key === 'shop.units')?.value,
  (s: RootState) => s.prefs.units,
  (system, own) => ({ ...unitsOfSystem(system), ...own }),
);

/** The currency of the shop's prices, a code of ISO 4217. */
export const selectCurrency = (state: RootState): string =>
  String(state.shop.shop?.rules.find((r) => r.key === 'cost.currency')?.value ?? 'USD');

/** Today in the shop's own time zone, YYYY-MM-DD. */
export const today = (): string => localDayOf(new Date());
