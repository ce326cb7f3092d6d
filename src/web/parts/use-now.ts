import { useEffect, useState } from 'react';

/** The time of day, which moves on by itself. */
export const useNow = (everyMs = 30_000): number => {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(tick);
  }, [everyMs]);
  return now;
};
