import { createAsyncThunk } from '@reduxjs/toolkit';
import type { AppDispatch, RootState } from '.';
import { api } from './api';
import { recordChanged } from './shop-slice';
import { readRecord, shopChanged } from './records-api';

/**
 * Takes the last change of a record back: as it was before, or archived where it was added. Throws
 * `ApiError`.
 */
export const undoRecord = createAsyncThunk<void, void, { state: RootState; dispatch: AppDispatch }>(
  'shop/undo',
  async (_, { dispatch, getState }) => {
    const { lastChange } = getState().shop;
    if (!lastChange) return;
    const now = await dispatch(readRecord(lastChange.kind, lastChange.id));
    await api.changeRecord(lastChange.kind, {
      ...(lastChange.before ?? { ...now, archived: true }),
      version: now.version,
    } as never);
    dispatch(recordChanged(null));
    await dispatch(shopChanged());
  },
);
