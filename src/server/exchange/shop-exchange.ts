import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, readdirSync } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Brought, Line, ExchangePlan } from '../../core/reports/exchange';
import { photoNames } from '../backup/holdings';
import { PHOTO_FOLDER } from '../backup/manifest';
import { atMost, freeBytes, onDisk } from '../backup/on-disk';
import { changeStore } from '../db/change-store';
import { checkFile, type Db } from '../db/open-db';
import { copyOf } from './copy-of';
import { NotFound } from '../errors';
import { jobLines, riderLines, shopLines } from './export-lines';
import { readFile } from './read-file';
import { takingIn } from './take-in';
import { writeFile } from './write-file';

/** The lifetime of a file that was brought and neither taken in nor taken away. */
const KEPT_MS = 3_600_000;
const FOLDER = /^taking-in-[0-9a-f-]{36}$/;
const FILE = 'brought.zip';

const isEmpty = (db: Db): boolean =>
  db.prepare('SELECT 1 FROM machines').get() === undefined &&
  db.prepare('SELECT 1 FROM visits').get() === undefined;

/**
 * Takes a shop, or one of its jobs, out into a file, and a file in. `folder` is where files are
 * looked into.
 */
export const shopExchange = (db: Db, photosDir: string, folder: string) => {
  const place = (id: string): string => join(resolve(folder), `taking-in-${id}`);
  const brought = new Map<string, NodeJS.Timeout>();
  const reading = new Set<() => void>();
  // What an interrupted one left.
  const left = existsSync(folder) ? readdirSync(folder).filter((name) => FOLDER.test(name)) : [];
  const tidied = Promise.all(
    left.map((name) => rm(join(folder, name), { recursive: true, force: true })),
  );

  /** The shop as it stands at one moment, whatever is written meanwhile. */
  const snapshot = (): { of: Db; end: () => void } => {
    if (db.memory) return { of: db, end: () => undefined };
    const of = new Database(db.name, { readonly: true });
    of.exec('BEGIN');
    return { of, end: () => void of.close() };
  };
  const out = (lines: (of: Db) => Iterable<Line>, failed: (error: unknown) => void): Readable => {
    const { of, end } = snapshot();
    const stream = writeFile(lines(of), photosDir, failed);
    const stop = (): void => void stream.destroy();
    reading.add(stop);
    stream.once('close', () => {
      reading.delete(stop);
      end();
    });
    return stream;
  };

  const forget = async (id: string): Promise<void> => {
    clearTimeout(brought.get(id));
    brought.delete(id);
    await rm(place(id), { recursive: true, force: true });
  };

  /**
   * Makes a copy of the shop with the file in it, in `into`, and says what that did. Throws
   * `InputError`.
   */
  const copyWith = async (
    file: string,
    into: string,
    signal?: AbortSignal,
  ): Promise<ExchangePlan> => {
    const { path, copy } = await copyOf(db, into);
    try {
      const wasEmpty = isEmpty(copy);
      const taking = takingIn(copy);
      copy.exec('BEGIN');
      const photos = await readFile(
        file,
        {
          take: taking.take,
          photosDir: join(into, PHOTO_FOLDER),
          roomBytes: (await freeBytes(into)) / 2,
        },
        signal,
      );
      const { photoIds, ...plan } = taking.end();
      if (!wasEmpty)
        changeStore(copy).note('people', 'shop', 'the shop', {
          takenIn: [null, `${plan.of} of ${plan.from}`],
        });
      copy.exec('COMMIT');
      const here = new Set(photoNames(photosDir));
      const held = new Set([...here, ...photos].map((name) => name.split('.')[0]));
      const fresh = photos.filter((name) => !here.has(name));
      const missing = [...photoIds].filter((id) => !held.has(id)).length;
      copy.close();
      checkFile(path);
      await onDisk(path);
      return {
        ...plan,
        photographs: { new: fresh.length, same: photos.length - fresh.length, missing },
      };
    } finally {
      if (copy.open) copy.close();
    }
  };

  return {
    /** The whole shop, as a zip file. `failed` is told where it breaks off. */
    shopOut: (failed: (error: unknown) => void): Readable => out(shopLines, failed),
    /** One job with what it needs. */
    jobOut: (jobId: string, failed: (error: unknown) => void): Readable =>
      out((of) => jobLines(of, jobId), failed),
    /** All that is kept of a rider. */
    riderOut: (name: string, failed: (error: unknown) => void): Readable =>
      out((of) => riderLines(of, name), failed),
    /**
     * Keeps a file for a while and says what taking it in would do; nothing changes. Throws
     * `InputError`.
     */
    async bring(from: Readable, signal?: AbortSignal): Promise<Brought> {
      await tidied;
      const id = randomUUID();
      const trying = join(place(id), 'tried');
      try {
        await mkdir(place(id), { recursive: true, mode: 0o700 });
        const roomBytes = (await freeBytes(place(id))) / 2;
        const to = createWriteStream(join(place(id), FILE), { flush: true, mode: 0o600 });
        await pipeline(from, atMost(roomBytes), to);
        const plan = await copyWith(join(place(id), FILE), trying, signal);
        brought.set(id, setTimeout(() => void forget(id), KEPT_MS).unref());
        return { id, plan };
      } catch (error) {
        await forget(id);
        throw error;
      } finally {
        await rm(trying, { recursive: true, force: true });
      }
    },
    /** Makes a copy of the shop with a brought file in it, in a folder of its own. */
    async made(id: string): Promise<{ plan: ExchangePlan; folder: string }> {
      if (!brought.has(id)) throw new NotFound('That file is no longer here. Choose it again.');
      const into = join(place(id), 'made');
      return { plan: await copyWith(join(place(id), FILE), into), folder: into };
    },
    forget,
    /** Ends what is still being written out, and forgets what was brought. */
    stop(): void {
      for (const end of reading) end();
      for (const timer of brought.values()) clearTimeout(timer);
    },
  };
};
export type ShopExchange = ReturnType<typeof shopExchange>;
