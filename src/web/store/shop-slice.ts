import { createAsyncThunk, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ShopRule } from '../../core/base/rules';
import type { Pace, RecordKind, Records } from '../../core/shop/records';
import { api, ApiError, type ShopAnswer } from './api';
import { recall, remember } from './offline-cache';

/** The last change of a record in this browser, so that it can be taken back. */
interface RecordChange {
  kind: RecordKind;
  id: string;
  /** As it was; null where it was added. */
  before: Records[RecordKind] | null;
}

/** The browser's copy of the shop. */
interface ShopState {
  lastChange: RecordChange | null;
  status: 'loading' | 'ready' | 'failed';
  problem: string | null;
  shop: ShopAnswer | null;
}

const SEEN_AT = '/shop';

/**
 * Reads people, machines, stock and rules; where the server does not answer, as this browser has
 * seen them.
 */
export const loadShop = createAsyncThunk('shop/load', async (): Promise<ShopAnswer> => {
  try {
    const shop = await api.shop();
    void remember(SEEN_AT, shop);
    return shop;
  } catch (error) {
    const seen =
      error instanceof ApiError && error.status === 0
        ? await recall<ShopAnswer>(SEEN_AT)
        : undefined;
    if (seen) return seen;
    throw error;
  }
});

const initialState: ShopState = { lastChange: null, status: 'loading', problem: null, shop: null };

const shopSlice = createSlice({
  name: 'shop',
  initialState,
  reducers: {
    recordChanged: (state, { payload }: PayloadAction<RecordChange | null>) =>
      void (state.lastChange = payload as never),
    pacesChanged(state, { payload }: PayloadAction<ShopAnswer['paces']>) {
      if (state.shop) state.shop.paces = payload;
    },
    ruleChanged(state, { payload }: PayloadAction<ShopRule>) {
      if (state.shop)
        state.shop.rules = state.shop.rules.map((r) =>
          r.key === payload.key ? (payload as typeof r) : r,
        );
    },
  },
  extraReducers: (builder) =>
    builder
      .addCase(loadShop.fulfilled, (state, { payload }) => {
        state.status = 'ready';
        state.problem = null;
        state.shop = payload as ShopState['shop'] as never;
      })
      .addCase(loadShop.rejected, (state, { error }) => {
        state.status = state.shop ? 'ready' : 'failed';
        state.problem =
          error.message ?? new ApiError(0, { field: '', message: '', expected: '' }).message;
      }),
});

export const { recordChanged, ruleChanged, pacesChanged } = shopSlice.actions;
export const shopReducer = shopSlice.reducer;

/** The step mode at the bench: one step after the other unless another was chosen. */
export const paceOf = ({ shop, prefs }: { shop: ShopState; prefs: { who: string } }): Pace =>
  shop.shop?.paces[prefs.who] ?? 'step by step';
