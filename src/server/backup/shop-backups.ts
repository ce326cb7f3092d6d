import { createWriteStream } from 'node:fs';
import { mkdir, rename, rm } from 'node:fs/promises';
import { dirname } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { randomUUID } from 'node:crypto';
import type { BackupsNow, KeptBackup, LookedInto } from '../../core/backup';
import { ruleNumber, valuesOf } from '../../core/rules';
import { DAY_MS } from '../../core/units';
import type { Db } from '../db/open-db';
import type { RuleStore } from '../db/rule-store';
import { backupFolder } from './backup-folder';
import { holdingsOf, photoNames } from './holdings';
import { atMost, freeBytes } from './on-disk';
import { unpackBackup } from './unpack-backup';
import { writeBackup } from './write-backup';

/** How often it is looked whether a day has gone by. */
const LOOK_EVERY_MS = 600_000;
/** A shop that has only just been started does its work first. */
const FIRST_LOOK_MS = 60_000;

/** The backups of a running shop: made by hand and day by day, looked into, and unpacked to be restored. */
export const shopBackups = (
  db: Db,
  rules: RuleStore,
  photosDir: string,
  path: string,
  free: (folder: string) => Promise<number> = freeBytes,
) => {
  const files = backupFolder(path);
  const startedMs = Date.now();
  const rule = (key: string) => ruleNumber(key, valuesOf(rules.list()));
  let problem: string | null = null;
  const make = async (kind: 'daily' | 'by-hand'): Promise<KeptBackup> => {
    const nowMs = Date.now();
    const place = files.place(kind, nowMs);
    try {
      await writeBackup(db, photosDir, place, nowMs);
      problem = null;
    } catch (error) {
      problem = (error as Error).message;
      throw error;
    }
    await files.prune(rule('backup.keep'));
    return files.list().find((b) => place.endsWith(b.name))!;
  };
  const aside = () => `${files.folder}/looking-${randomUUID()}`;
  return {
    now(): BackupsNow {
      const backups = files.list();
      const newest = backups.find((b) => b.kind !== 'brought-in');
      const sinceMs = Date.now() - (newest ? Date.parse(newest.writtenAt) : startedMs);
      const isOld = problem !== null || sinceMs > rule('backup.oldDays') * DAY_MS;
      return { folder: files.folder, backups, newestAt: newest?.writtenAt ?? null, isOld, problem };
    },
    make,
    pathOf: files.pathOf,
    /** Takes it apart to see whether it is whole, and what it holds. Throws `InputError` for one that is not. */
    async look(name: string): Promise<LookedInto> {
      const folder = aside();
      const { manifest, holds } = await unpackBackup(files.pathOf(name), folder);
      await rm(folder, { recursive: true, force: true });
      return { madeAt: manifest.madeAt, holds, here: holdingsOf(db, photoNames(photosDir).length) };
    },
    /** Takes in a backup from elsewhere, once it is found whole. */
    async bringIn(from: Readable): Promise<KeptBackup> {
      const place = files.place('brought-in', Date.now());
      const making = `${place}.${randomUUID()}.making`;
      await mkdir(dirname(place), { recursive: true });
      const folder = aside();
      try {
        // It is taken apart beside itself: what it holds wants at least as much room again.
        const roomBytes = (await free(dirname(place))) / 2;
        await pipeline(from, atMost(roomBytes), createWriteStream(making, { flush: true }));
        await unpackBackup(making, folder, roomBytes);
        await rename(making, place);
      } finally {
        await rm(making, { force: true });
        await rm(folder, { recursive: true, force: true });
      }
      return files.list().find((b) => place.endsWith(b.name))!;
    },
    /** One a day by itself, until it is stopped. Says of one that fails. */
    daily(failed: (error: unknown) => void): () => void {
      const look = () => {
        const last = files.list().find((b) => b.kind === 'daily');
        const isDue = !last || Date.now() - Date.parse(last.writtenAt) >= DAY_MS;
        if (isDue && db.open) make('daily').catch(failed);
      };
      const first = setTimeout(look, FIRST_LOOK_MS).unref();
      const again = setInterval(look, LOOK_EVERY_MS).unref();
      return () => {
        clearTimeout(first);
        clearInterval(again);
      };
    },
  };
};
export type ShopBackups = ReturnType<typeof shopBackups>;
