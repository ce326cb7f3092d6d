import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Doors } from '../../core/shop/auth';
import type { AppDispatch, RootState } from '.';
import { api, ApiError, type SignInBy } from './api';
import { handOnScreen } from './hand';
import { linkFound } from './link-slice';
import { sendNow } from './outbox-sender';
import { whoChosen } from './prefs-slice';
import { shopChanged } from './records-api';
import { forgetSeen } from './offline-cache';
import { onTurnedAway } from './auth-rejected';
import { visitsApi } from './visits-api';

/** What this browser knows of the shop's doors, also while the server does not answer. */
const KEY = 'rimstone-doors';
const OPEN: Doors = {
  areClosed: false,
  me: null,
  people: [],
  lockAfterMinutes: 0,
  forgottenAt: null,
};

const load = (): Doors => {
  try {
    return { ...OPEN, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Doors>) };
  } catch {
    return OPEN;
  }
};

/** Whether it is kept. */
const keep = (doors: Doors): boolean => {
  try {
    localStorage.setItem(KEY, JSON.stringify(doors));
    return true;
  } catch {
    // The server says it again.
    return false;
  }
};

const doorsSlice = createSlice({
  name: 'doors',
  initialState: load,
  reducers: {
    doorsSeen: (_state, { payload }: PayloadAction<Doors>) => payload,
    locked: (state) => {
      if (state.me) state.me.isLocked = true;
    },
  },
});

const { doorsSeen, locked } = doorsSlice.actions;
export const doorsReducer = doorsSlice.reducer;

/** Whether somebody has to sign in, or unlock, before anything is shown. */
export const isShut = ({ doors }: { doors: Doors }): boolean =>
  doors.areClosed && (doors.me === null || doors.me.isLocked);

const take =
  (doors: Doors) =>
  (dispatch: AppDispatch, getState: () => RootState): void => {
    const before = getState().doors;
    dispatch(doorsSeen(doors));
    const isKept = keep(doors);
    // A browser that keeps nothing has nothing to forget, and would begin anew for ever.
    const isForgotten = isKept && doors.forgottenAt !== before.forgottenAt;
    if (doors.me && !doors.me.isLocked && getState().prefs.who !== doors.me.who)
      dispatch(whoChosen(doors.me.who));
    // What this browser has seen of the shop is for who may see it, and what this page holds as well.
    if (isForgotten || (before.me && doors.areClosed && !doors.me))
      void forgetSeen().then(() => window.location.reload());
  };

/** A rider was forgotten from this very page, which has more to say: it goes on, and keeps nothing of what it saw. */
export const forgottenHere =
  (forgottenAt: string) =>
  (dispatch: AppDispatch, getState: () => RootState): void => {
    const doors = { ...getState().doors, forgottenAt };
    dispatch(doorsSeen(doors));
    keep(doors);
    void forgetSeen();
  };

/** Asks how the doors stand. A lock that the server has not heard of is told first. */
export const loadDoors =
  () =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    try {
      dispatch(take(getState().doors.me?.isLocked ? await api.lock() : await api.doors()));
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      // Without an answer it stays as it was seen last; a session that is over has nothing to lock.
      if (error.status === 401) dispatch(take(await api.doors()));
    }
  };

/** Locks the screen, at once here and, as soon as it answers, on the server. */
export const lockScreen =
  () =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    dispatch(locked());
    keep(getState().doors);
    await dispatch(loadDoors());
  };

/** Signs in by a secret or a code, and reads what could not be read before. Throws `ApiError`. */
export const signIn =
  (by: SignInBy) =>
  async (dispatch: AppDispatch): Promise<void> => {
    const doors = await api.signIn(by);
    handOnScreen();
    dispatch(take(doors));
    // The stream was refused before, not lost.
    dispatch(linkFound());
    dispatch(visitsApi.util.resetApiState());
    await dispatch(shopChanged());
    void dispatch(sendNow());
  };

/** Throws `ApiError`. */
export const signOut =
  () =>
  async (dispatch: AppDispatch): Promise<void> =>
    dispatch(take(await api.signOut()));

/** Asks how the doors stand whenever the server turns this browser away. */
export const followDoors = (store: { dispatch: AppDispatch }): void => {
  let isAsking = false;
  onTurnedAway(() => {
    if (isAsking) return;
    isAsking = true;
    void store.dispatch(loadDoors()).finally(() => (isAsking = false));
  });
  void store.dispatch(loadDoors());
};
