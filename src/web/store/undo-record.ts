import { createAsyncThunk } from '@reduxjs/toolkit';
import type { RecordKind, Records } from '../../core/shop';
import type { AppDispatch, RootState } from '.';
import { api } from './api';
import { loadShop, recordChanged } from './shop-slice';

/** Takes the last change of a record back: as it was before, or archived where it was added. Throws `ApiError`. */
export const undoRecord = createAsyncThunk<void, void, { state: RootState; dispatch: AppDispatch }>(
  'shop/undo',
  async (_, { dispatch, getState }) => {
    const { lastChange, shop } = getState().shop;
    const now =
      lastChange && (shop?.[lastChange.kind] as Records[RecordKind][] | undefined)?.find((r) => r.id === lastChange.id);
    if (!lastChange || !now) return;
    await api.changeRecord(lastChange.kind, {
      ...(lastChange.before ?? { ...now, archived: true }),
      version: now.version,
    } as never);
    dispatch(recordChanged(null));
    await dispatch(loadShop());
  },
);
