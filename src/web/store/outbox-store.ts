import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PendingEntries } from './pending-entries';

interface OutboxDb extends DBSchema {
  /** One record each, in the order of writing. */
  parcels: { key: number; value: PendingEntries & { n?: number }; indexes: { id: string } };
  pictures: { key: string; value: Blob };
}

const NAME = 'rimstone-outbox';
/** Earlier programs kept pendingEntries in the browser's text store, under keys that begin so. */
const OLD_PREFIX = 'rimstone-outbox';

/** Pictures of pendingEntries that this browser could not keep. */
const unkeptPictures = new Map<string, Blob>();

let opened: Promise<IDBPDatabase<OutboxDb>> | null = null;

const database = (): Promise<IDBPDatabase<OutboxDb>> =>
  (opened ??= openDB<OutboxDb>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('parcels', { keyPath: 'n', autoIncrement: true }).createIndex(
        'id',
        'id',
        { unique: true },
      );
      db.createObjectStore('pictures');
    },
    terminated: () => void (opened = null),
  }));

/**
 * The result of the work; undefined if this browser stores nothing (a private window, a full disk).
 */
const tried = async <T>(
  work: (db: IDBPDatabase<OutboxDb>) => Promise<T>,
): Promise<T | undefined> => {
  try {
    return await work(await database());
  } catch {
    return undefined;
  }
};

/**
 * Keeps pending entries, and the photograph that goes before them, on this browser's disk. False
 * where that cannot be done: it lives as long as the page then.
 */
export const keepParcel = async (pending: PendingEntries, picture?: Blob): Promise<boolean> => {
  const isKept = await tried(async (db) => {
    const tx = db.transaction(['parcels', 'pictures'], 'readwrite', { durability: 'strict' });
    // A page that is closed now leaves it unsent.
    const status = pending.status === 'sending' ? 'unsent' : pending.status;
    const puts = [
      tx.objectStore('parcels').add({ ...pending, status, isKept: true }),
    ] as Promise<unknown>[];
    if (picture) puts.push(tx.objectStore('pictures').put(picture, pending.id));
    await Promise.all([...puts, tx.done]);
    return true;
  });
  if (!isKept && picture) unkeptPictures.set(pending.id, picture);
  return isKept ?? false;
};

const isParcel = (it: unknown): it is PendingEntries =>
  typeof it === 'object' &&
  it !== null &&
  Array.isArray((it as PendingEntries).bodies) &&
  'jobId' in it &&
  'id' in it;

const oldParcels = (key: string): PendingEntries[] => {
  try {
    return [JSON.parse(localStorage.getItem(key) ?? 'null') as unknown].flat().filter(isParcel);
  } catch {
    return [];
  }
};

/**
 * Takes over what an earlier program left; it did not say after which entry it was written, so the
 * fitter is asked.
 */
const takeOld = async (): Promise<void> => {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!);
  const asked = {
    jobNumber: null,
    afterSeq: 0,
    status: 'refused',
    why: 'Left unsent by an earlier version.',
  } as const;
  for (const key of keys.filter((k) => k.startsWith(OLD_PREFIX))) {
    const kept = await Promise.all(
      oldParcels(key).map((old) =>
        keepParcel({ ...old, ...asked, writtenAt: new Date().toISOString() }),
      ),
    );
    if (kept.every(Boolean)) localStorage.removeItem(key);
  }
};

/** All that is kept, in the order in which it was written, by whichever tab. */
export const keptParcels = async (): Promise<PendingEntries[]> => {
  await takeOld().catch(() => undefined);
  const all = await tried((db) => db.getAll('parcels'));
  return (all ?? []).map(({ n: _n, ...pending }) => pending);
};

/**
 * Pending entries as they are kept; null where another tab has let go of it, undefined where the
 * disk cannot be read.
 */
export const keptParcel = (id: string): Promise<PendingEntries | null | undefined> =>
  tried(async (db) => (await db.getFromIndex('parcels', 'id', id)) ?? null);

/** Changes kept pending entries; one that is gone stays gone. */
export const changeKept = (id: string, change: Partial<PendingEntries>): Promise<void> =>
  tried(async (db) => {
    const tx = db.transaction('parcels', 'readwrite');
    const there = await tx.store.index('id').get(id);
    if (there) await tx.store.put({ ...there, ...change });
    await tx.done;
  });

/** Lets go of pending entries and its photograph. */
export const letGo = (id: string): Promise<void> => {
  unkeptPictures.delete(id);
  return tried(async (db) => {
    const tx = db.transaction(['parcels', 'pictures'], 'readwrite');
    const key = await tx.objectStore('parcels').index('id').getKey(id);
    if (key !== undefined) await tx.objectStore('parcels').delete(key);
    await tx.objectStore('pictures').delete(id);
    await tx.done;
  });
};

/** The photograph that goes before pending entries; undefined where it is gone. */
export const pictureOf = async (id: string): Promise<Blob | undefined> =>
  unkeptPictures.get(id) ?? (await tried((db) => db.get('pictures', id)));
