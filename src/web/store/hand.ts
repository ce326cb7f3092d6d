/** When a hand was last on any tab of this browser, and when the server was last told of one. */
export const HAND_KEY = 'rimstone-hand';
export const REPORT_KEY = 'rimstone-hand-reported';

/** A time kept in this browser, ms since 1970; 0 for never. */
export const timeAt = (key: string): number => Number(localStorage.getItem(key) ?? 0);

/** A hand is on the screen now. */
export const handOnScreen = (): void => localStorage.setItem(HAND_KEY, String(Date.now()));
