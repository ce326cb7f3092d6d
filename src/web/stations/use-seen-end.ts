import { useEffect, useState } from 'react';

/** Whether a list was shown to its end, and a way to show it. */
export interface SeenEnd {
  isSeen: boolean;
  /** Goes on the last element of the list. */
  endRef(element: HTMLElement | null): void;
  /** Scrolls the end into view. */
  show(): void;
}

/** Room for the bar of buttons that covers the bottom of a phone's screen. */
const UNDER_THE_BAR = '0px 0px -72px 0px';

/**
 * Watches the end of a list: what is logged by one tap must have been in view. A list with another
 * key starts unseen.
 */
export const useSeenEnd = (key: string): SeenEnd => {
  const [seenKey, setSeenKey] = useState<string | null>(null);
  const [end, setEnd] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!end) return;
    const watch = new IntersectionObserver(([last]) => last?.isIntersecting && setSeenKey(key), {
      rootMargin: UNDER_THE_BAR,
    });
    watch.observe(end);
    return () => watch.disconnect();
  }, [end, key]);
  return {
    isSeen: seenKey === key,
    endRef: setEnd,
    show: () => end?.scrollIntoView({ block: 'center' }),
  };
};
