import { useEffect, useState } from 'react';

/** Whether a list was shown to its end, and a way to show it. */
export interface SeenEnd {
  isSeen: boolean;
  /** The same at this moment: true, or the end is scrolled into view and it is false. */
  wasShown(): boolean;
  /** Goes on the last element of the list. */
  endRef(element: HTMLElement | null): void;
}

/** The bar of buttons that covers the bottom of a phone's screen. */
const BAR_PX = 72;

const isInView = (element: HTMLElement): boolean => {
  const { top, bottom } = element.getBoundingClientRect();
  return top >= 0 && bottom <= window.innerHeight - BAR_PX;
};

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
      rootMargin: `0px 0px -${BAR_PX}px 0px`,
    });
    watch.observe(end);
    return () => watch.disconnect();
  }, [end, key]);
  const isSeen = seenKey === key;
  return {
    isSeen,
    endRef: setEnd,
    wasShown: () => {
      if (isSeen || (end && isInView(end))) return true;
      end?.scrollIntoView({ block: 'center' });
      return false;
    },
  };
};
