import type { ReactNode } from 'react';

/** The acts so far, the newest first, with their numbers. */
export const MovesList = ({ label, moves }: { label: string; moves: readonly ReactNode[] }) => (
  <ol
    className="max-h-[200px] overflow-y-auto"
    tabIndex={0}
    aria-label={`${label}, the newest first`}
  >
    {moves
      .map((move, i) => (
        <li key={i} className="grid grid-cols-[32px_1fr] py-0.5">
          <span className="num text-ink2">{i + 1}</span>
          <span className="first-letter:uppercase">{move}</span>
        </li>
      ))
      .reverse()}
  </ol>
);
