import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { UnitPreferences } from '../../core/base/units';

/** The preferences of this browser: who works here, in which units, by which light. */
export interface Prefs {
  who: string;
  /** Units that this device has otherwise than the shop. */
  units: Partial<UnitPreferences>;
  theme: 'auto' | 'day' | 'night';
  /** Simulated instruments stand in where no real one is connected. */
  standIns: boolean;
  /** The next step and readings are read out. */
  isSpoken: boolean;
  /** The gauge that was last in hand, by its name. */
  gauge: string;
}

const KEY = 'rimstone-prefs';
const FRESH: Prefs = {
  who: '',
  units: {},
  theme: 'auto',
  standIns: false,
  gauge: '',
  isSpoken: false,
};

const load = (): Prefs => {
  try {
    const stored = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Prefs>;
    return { ...FRESH, ...stored, units: { ...stored.units } };
  } catch {
    return FRESH;
  }
};

/**
 * Keeps the preferences in the browser; a full or forbidden store only means that they are asked
 * again.
 */
export const savePrefs = (prefs: Prefs): void => {
  try {
    localStorage.setItem(KEY, JSON.stringify(prefs));
  } catch {
    // Nothing of the job is kept here.
  }
};

const prefsSlice = createSlice({
  name: 'prefs',
  initialState: load,
  reducers: {
    whoChosen: (state, { payload }: PayloadAction<string>) => void (state.who = payload),
    themeChosen: (state, { payload }: PayloadAction<Prefs['theme']>) =>
      void (state.theme = payload),
    standInsChosen: (state, { payload }: PayloadAction<boolean>) => void (state.standIns = payload),
    gaugeChosen: (state, { payload }: PayloadAction<string>) => void (state.gauge = payload),
    spokenChosen: (state, { payload }: PayloadAction<boolean>) => void (state.isSpoken = payload),
    unitChosen: (state, { payload }: PayloadAction<Partial<UnitPreferences>>) =>
      void Object.assign(state.units, payload),
    shopUnitsChosen: (state) => void (state.units = {}),
  },
});

export const {
  whoChosen,
  themeChosen,
  unitChosen,
  shopUnitsChosen,
  standInsChosen,
  gaugeChosen,
  spokenChosen,
} = prefsSlice.actions;
export const prefsReducer = prefsSlice.reducer;
