import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface SeenDb extends DBSchema {
  answers: {
    key: string;
    value: { path: string; answer: unknown; at: number };
    indexes: { at: number };
  };
}

/** Answers older than this are of no use at a bench. */
const KEEP_MS = 30 * 86_400_000;

let opened: Promise<IDBPDatabase<SeenDb>> | null = null;

const database = (): Promise<IDBPDatabase<SeenDb>> =>
  (opened ??= openDB<SeenDb>('rimstone-seen', 1, {
    upgrade: (db) =>
      void db.createObjectStore('answers', { keyPath: 'path' }).createIndex('at', 'at'),
    terminated: () => void (opened = null),
  }).then(async (db) => {
    const old = await db.getAllKeysFromIndex(
      'answers',
      'at',
      IDBKeyRange.upperBound(Date.now() - KEEP_MS),
    );
    await Promise.all(old.map((path) => db.delete('answers', path)));
    return db;
  }));

/**
 * Whether the cache is written, until it was to be forgotten: responses on their way then are not
 * stored.
 */
let isKept = true;

/**
 * Keeps what the server answered at a path, for a time when it does not answer. A browser that
 * keeps nothing does not.
 */
export const remember = async (path: string, answer: unknown): Promise<void> => {
  try {
    const db = await database();
    if (isKept) await db.put('answers', { path, answer, at: Date.now() });
  } catch {
    // It is had from the server as before.
  }
};

/** The browser's last response for a path; undefined if it has none. */
export const recall = async <T>(path: string): Promise<T | undefined> => {
  try {
    return (await (await database()).get('answers', path))?.answer as T | undefined;
  } catch {
    return undefined;
  }
};

/** Forgets all that this browser has seen, photographs included; this page keeps nothing more. */
export const forgetSeen = async (): Promise<void> => {
  isKept = false;
  try {
    await (await database()).clear('answers');
    await caches.delete('photographs');
  } catch {
    // Nothing was kept, or it cannot be reached: then no one sees it either.
  }
};
