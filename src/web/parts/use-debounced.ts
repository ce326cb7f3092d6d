import { useEffect, useState } from 'react';

const TYPING_PAUSE_MS = 180;

/**
 * The typed text after a short pause, so each key press does not send a request. nothing is asked
 * on each key press.
 */
export const useDebounced = (text: string): string => {
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const wait = setTimeout(() => setRested(text), TYPING_PAUSE_MS);
    return () => clearTimeout(wait);
  }, [text]);
  return rested;
};
