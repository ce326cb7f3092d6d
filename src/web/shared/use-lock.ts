import { useEffect } from 'react';
import { useApp, useDo } from '../store';
import { api } from '../store/api';
import { needsSignIn, loadAuth, lockScreen } from '../store/auth-slice';
import { HAND_KEY, REPORT_KEY, handOnScreen, timeAt } from '../store/hand';
import { endPhotoLease, renewPhotoLease } from '../store/photo-lease';

const LOOK_MS = 5000;
const MINUTE_MS = 60_000;
/** The server hears of a hand on the screen so often at most. */
const REPORT_MS = 20_000;
const YEAR_MS = 31_536_000_000;
const HANDS = ['pointerdown', 'keydown', 'wheel'] as const;
/**
 * Tells the server of the last hand on the screen, if it has not heard of it. Loading a page is not
 * a hand.
 */
const report = (nowMs: number): void => {
  const handMs = timeAt(HAND_KEY);
  if (handMs <= timeAt(REPORT_KEY) || nowMs - timeAt(REPORT_KEY) < REPORT_MS) return;
  localStorage.setItem(REPORT_KEY, String(nowMs));
  // Without an answer it is told again with the next hand.
  void api
    .touch(Math.max(0, Math.round((nowMs - handMs) / 1000)))
    .catch(() => localStorage.removeItem(REPORT_KEY));
};

/**
 * Locks the screen once no hand was on it for as long as the shop's rule says, and reports hands to
 * the server, which locks by itself. What another tab locked is locked also here. Cached photos are
 * shown only while a screen is open.
 */
export const useLock = (): void => {
  const dispatch = useDo();
  const minutes = useApp((s) => s.auth.lockAfterMinutes);
  const isOpen = useApp((s) => s.auth.areClosed && !needsSignIn(s));
  const isShutNow = useApp(needsSignIn);
  useEffect(() => {
    if (isShutNow) void endPhotoLease();
    else if (!isOpen) void renewPhotoLease(Date.now() + YEAR_MS);
  }, [isOpen, isShutNow]);
  useEffect(() => {
    if (!isOpen) return;
    const limitMs = minutes * MINUTE_MS;
    for (const hand of HANDS) window.addEventListener(hand, handOnScreen, { passive: true });
    const look = () => {
      const nowMs = Date.now();
      if (nowMs - timeAt(HAND_KEY) > limitMs) return void dispatch(lockScreen());
      report(nowMs);
      void renewPhotoLease(timeAt(HAND_KEY) + limitMs);
    };
    look();
    const looking = setInterval(look, LOOK_MS);
    const elsewhere = () => void (document.visibilityState === 'visible' && dispatch(loadAuth()));
    document.addEventListener('visibilitychange', elsewhere);
    return () => {
      for (const hand of HANDS) window.removeEventListener(hand, handOnScreen);
      clearInterval(looking);
      document.removeEventListener('visibilitychange', elsewhere);
    };
  }, [dispatch, isOpen, minutes]);
};
