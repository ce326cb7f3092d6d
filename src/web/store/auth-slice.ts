import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { AuthStatus } from '../../core/shop/auth';
import type { AppDispatch, RootState } from '.';
import { api, ApiError, type SignInBy } from './api';
import { handOnScreen } from './hand';
import { linkFound } from './link-slice';
import { sendNow } from './outbox-sender';
import { whoChosen } from './prefs-slice';
import { shopChanged } from './records-api';
import { forgetSeen } from './offline-cache';
import { onAuthRejected } from './auth-rejected';
import { visitsApi } from './visits-api';

/** The browser's copy of the shop's sign-in state, also while the server does not answer. */
const KEY = 'rimstone-doors';
const OPEN: AuthStatus = {
  areClosed: false,
  me: null,
  people: [],
  lockAfterMinutes: 0,
  forgottenAt: null,
};

const load = (): AuthStatus => {
  try {
    return { ...OPEN, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<AuthStatus>) };
  } catch {
    return OPEN;
  }
};

/** Whether it is kept. */
const keep = (auth: AuthStatus): boolean => {
  try {
    localStorage.setItem(KEY, JSON.stringify(auth));
    return true;
  } catch {
    // The server says it again.
    return false;
  }
};

const authSlice = createSlice({
  name: 'auth',
  initialState: load,
  reducers: {
    authSeen: (_state, { payload }: PayloadAction<AuthStatus>) => payload,
    locked: (state) => {
      if (state.me) state.me.isLocked = true;
    },
  },
});

const { authSeen, locked } = authSlice.actions;
export const authReducer = authSlice.reducer;

/** Whether someone has to sign in, or unlock, before anything is shown. */
export const needsSignIn = ({ auth }: { auth: AuthStatus }): boolean =>
  auth.areClosed && (auth.me === null || auth.me.isLocked);

const take =
  (auth: AuthStatus) =>
  (dispatch: AppDispatch, getState: () => RootState): void => {
    const before = getState().auth;
    dispatch(authSeen(auth));
    const isKept = keep(auth);
    // A browser that keeps nothing has nothing to forget, and would begin again for ever.
    const isForgotten = isKept && auth.forgottenAt !== before.forgottenAt;
    if (auth.me && !auth.me.isLocked && getState().prefs.who !== auth.me.who)
      dispatch(whoChosen(auth.me.who));
    // What this browser has seen of the shop is for who may see it, and what this page holds as
    // well.
    if (isForgotten || (before.me && auth.areClosed && !auth.me))
      void forgetSeen().then(() => window.location.reload());
  };

/**
 * A rider was forgotten from this very page, which has more to say: it goes on, and keeps nothing
 * of what it saw.
 */
export const forgottenHere =
  (forgottenAt: string) =>
  (dispatch: AppDispatch, getState: () => RootState): void => {
    const auth = { ...getState().auth, forgottenAt };
    dispatch(authSeen(auth));
    keep(auth);
    void forgetSeen();
  };

/** Asks the server how sign-in stands. A lock that the server has not heard of is told first. */
export const loadAuth =
  () =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    try {
      dispatch(take(getState().auth.me?.isLocked ? await api.lock() : await api.auth()));
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      // Without an answer it stays as it was seen last; a session that is over has nothing to lock.
      if (error.status === 401) dispatch(take(await api.auth()));
    }
  };

/** Locks the screen, at once here and, as soon as it answers, on the server. */
export const lockScreen =
  () =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    dispatch(locked());
    keep(getState().auth);
    await dispatch(loadAuth());
  };

/** Signs in by a secret or a code, and reads what could not be read before. Throws `ApiError`. */
export const signIn =
  (by: SignInBy) =>
  async (dispatch: AppDispatch): Promise<void> => {
    const auth = await api.signIn(by);
    handOnScreen();
    dispatch(take(auth));
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

/** Asks the server how sign-in stands whenever the server turns this browser away. */
export const followAuth = (store: { dispatch: AppDispatch }): void => {
  let isAsking = false;
  onAuthRejected(() => {
    if (isAsking) return;
    isAsking = true;
    void store.dispatch(loadAuth()).finally(() => (isAsking = false));
  });
  void store.dispatch(loadAuth());
};
