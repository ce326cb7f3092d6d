import { useState } from 'react';

/** The items of a list that were tapped out. */
export interface ExcludedItems {
  left: ReadonlySet<string>;
  toggle(id: string): void;
}

/** Keeps what of a list was tapped out. */
export const useExcludedItems = (): ExcludedItems => {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const toggle = (id: string) =>
    setLeft((before) => {
      const after = new Set(before);
      if (!after.delete(id)) after.add(id);
      return after;
    });
  return { left, toggle };
};
