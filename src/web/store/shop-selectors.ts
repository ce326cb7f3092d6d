import { createSelector } from '@reduxjs/toolkit';
import { unitsOfSystem, type UnitPreferences } from '../../core/base/units';
import type { RootState } from '.';

/** The units that this device shows: the shop's choice, and what was changed on the device. */
export const selectUnits: (state: RootState) => UnitPreferences = createSelector(
  (s: RootState) => s.shop.shop?.rules.find((r) => r.key === 'shop.units')?.value,
  (s: RootState) => s.prefs.units,
  (system, own) => ({ ...unitsOfSystem(system), ...own }),
);

/** The currency of the shop's prices, a code of ISO 4217. */
export const selectCurrency = (state: RootState): string =>
  String(state.shop.shop?.rules.find((r) => r.key === 'cost.currency')?.value ?? 'USD');
