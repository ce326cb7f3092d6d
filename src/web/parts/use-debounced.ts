import { useEffect, useState } from 'react';

const TYPING_PAUSE_MS = 180;

/** What is typed, once the typing rests: nothing is asked on each key press. */
export const useDebounced = (text: string): string => {
  const [rested, setRested] = useState(text);
  useEffect(() => {
    const wait = setTimeout(() => setRested(text), TYPING_PAUSE_MS);
    return () => clearTimeout(wait);
  }, [text]);
  return rested;
};
