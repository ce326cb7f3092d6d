import { useEffect } from 'react';
import { useApp, useDo } from '../store';
import { isShut, loadDoors, lockScreen } from '../store/doors-slice';

const LOOK_MS = 5000;
const MINUTE_MS = 60_000;
const HANDS = ['pointerdown', 'keydown', 'wheel'] as const;
/** When a hand was last on any tab of this browser. */
const KEY = 'rimstone-hand';

const lastHand = (): number => Number(localStorage.getItem(KEY) ?? 0);

/** Locks the screen once no hand was on it for as long as the shop's rule says; what another tab locked is locked here too. */
export const useLock = (): void => {
  const dispatch = useDo();
  const minutes = useApp((s) => s.doors.lockAfterMinutes);
  const isOpen = useApp((s) => s.doors.areClosed && !isShut(s));
  useEffect(() => {
    if (!isOpen) return;
    const touched = () => localStorage.setItem(KEY, String(Date.now()));
    touched();
    for (const hand of HANDS) window.addEventListener(hand, touched, { passive: true });
    const look = setInterval(() => {
      if (Date.now() - lastHand() > minutes * MINUTE_MS) void dispatch(lockScreen());
    }, LOOK_MS);
    const elsewhere = () => void (document.visibilityState === 'visible' && dispatch(loadDoors()));
    document.addEventListener('visibilitychange', elsewhere);
    return () => {
      for (const hand of HANDS) window.removeEventListener(hand, touched);
      clearInterval(look);
      document.removeEventListener('visibilitychange', elsewhere);
    };
  }, [dispatch, isOpen, minutes]);
};
