import type { ReactNode } from 'react';

/** A round: the picture and, beside it, what one does; on a phone below it. */
export const RunLayout = ({
  picture,
  shows,
  does,
  children,
}: {
  picture: ReactNode;
  /** Names of both parts. */
  shows: string;
  does: string;
  children: ReactNode;
}) => (
  <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1fr)_420px]">
    <section aria-label={shows}>{picture}</section>
    <section aria-label={does} className="grid content-start gap-3">
      {children}
    </section>
  </div>
);
