import { createAsyncThunk, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ShopRule } from '../../core/rules';
import { api, ApiError, type ShopAnswer } from './api';

interface ShopState {
  status: 'loading' | 'ready' | 'failed';
  problem: string | null;
  shop: ShopAnswer | null;
}

/** Reads people, machines, stock and rules. */
export const loadShop = createAsyncThunk('shop/load', () => api.shop());

const initialState: ShopState = { status: 'loading', problem: null, shop: null };

const shopSlice = createSlice({
  name: 'shop',
  initialState,
  reducers: {
    ruleChanged(state, { payload }: PayloadAction<ShopRule>) {
      if (state.shop) state.shop.rules = state.shop.rules.map((r) => (r.key === payload.key ? (payload as typeof r) : r));
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
        state.problem = error.message ?? new ApiError(0, { field: '', message: '', expected: '' }).message;
      }),
});

export const { ruleChanged } = shopSlice.actions;
export const shopReducer = shopSlice.reducer;
