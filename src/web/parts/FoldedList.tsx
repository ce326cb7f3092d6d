import type { ReactNode } from 'react';

interface Item {
  key: string;
  /** Its name in the line that folds it away. */
  name: string;
  row: ReactNode;
}

/**
 * A list that never stops in the middle of a line: its first rows in full, and the rest folded under
 * their names. On a phone, which scrolls, and on paper all rows are in sight.
 */
export const FoldedList = ({
  items,
  shown,
  label,
}: {
  items: readonly Item[];
  /** Rows in full where the screen does not scroll. */
  shown: number;
  label: string;
}) => {
  const rest = items.slice(shown);
  const rows = (list: readonly Item[], name: string) => (
    <ul aria-label={name}>
      {list.map(({ key, row }) => (
        <li key={key}>{row}</li>
      ))}
    </ul>
  );
  // One row more takes no more room than the line that would fold it.
  if (rest.length <= 1) return rows(items, label);
  return (
    <>
      {rows(items.slice(0, shown), label)}
      <div className="lg:hidden print:block">{rows(rest, `${label}, continued`)}</div>
      <details className="max-lg:hidden print:hidden">
        <summary className="line-clamp-2 cursor-pointer py-1 text-[16px] leading-snug">
          <span className="font-semibold underline">{rest.length} more</span>:{' '}
          {[...new Set(rest.map(({ name }) => name))].join('; ')}
        </summary>
        {rows(rest, `${label}, continued`)}
      </details>
    </>
  );
};
