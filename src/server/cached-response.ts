import type { Db } from './db/open-db';

/**
 * An answer that is made of the database alone, kept as text until something is written: anyone who
 * asks again and again costs next to nothing.
 */
export const cachedResponse = (db: Db, make: () => object): (() => string) => {
  // By this connection, and by any other.
  const changes = db.prepare<[], number>('SELECT total_changes()').pluck();
  const version = () => `${changes.get()} ${String(db.pragma('data_version', { simple: true }))}`;
  let kept: { version: string; text: string } | null = null;
  return () => {
    const now = version();
    if (kept?.version !== now) kept = { version: now, text: JSON.stringify(make()) };
    return kept.text;
  };
};
