import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The state of this page's connection to the server. */
interface LinkState {
  /** Since when the server has not been heard, ISO 8601; null while it is. */
  lostAt: string | null;
  /** A newer version of the program lies ready in this browser. */
  isNewVersionReady: boolean;
}

const initialState: LinkState = { lostAt: null, isNewVersionReady: false };

const linkSlice = createSlice({
  name: 'link',
  initialState,
  reducers: {
    linkLost: (state, { payload }: PayloadAction<string>) => void (state.lostAt ??= payload),
    linkFound: (state) => void (state.lostAt = null),
    newVersionReady: (state) => void (state.isNewVersionReady = true),
  },
});

export const { linkLost, linkFound, newVersionReady } = linkSlice.actions;
export const linkReducer = linkSlice.reducer;
