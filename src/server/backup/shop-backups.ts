import { createWriteStream } from 'node:fs';
import { copyFile, mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, isAbsolute, join, resolve } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { randomUUID } from 'node:crypto';
import type { BackupsNow, KeptBackup, LookedInto } from '../../core/reports/backup';
import { ruleNumber, valuesOf } from '../../core/base/rules';
import { DAY_MS } from '../../core/base/units';
import type { Db } from '../db/open-db';
import type { RuleStore } from '../db/rule-store';
import { checkSecret } from '../../core/shop/auth';
import { InputError } from '../../core/base/errors';
import { checkNotTriedFirst } from '../auth/common-secrets';
import { damagedPhotos } from '../photo-check';
import { backupFolder } from './backup-folder';
import { backupSettings } from './backup-settings';
import { AGE_ENDING, startsAsAge } from './encryption';
import { holdingsOf, photoNames } from './holdings';
import { atMost, freeBytes, onDisk } from './on-disk';
import { unpackBackup } from './unpack-backup';
import { writeBackup } from './write-backup';

/** The interval at which the day is checked. */
const LOOK_EVERY_MS = 600_000;
/** A shop that has only just been started does its work first. */
const FIRST_LOOK_MS = 60_000;
/**
 * A backup is opened and compared so often; without a test for so long, Today says so. Basis:
 * memory.
 */
const TEST_DAYS = 7;
const TEST_OLD_DAYS = 10;

/** Throws `InputError` unless a folder is there, can be written to, and is not the first one. */
const checkWritable = async (folder: string, first: string): Promise<void> => {
  const probe = join(folder, `rimstone-${randomUUID()}.making`);
  if (!isAbsolute(folder) || resolve(folder) === resolve(first))
    throw new InputError(
      'folder',
      'This is not a second folder.',
      'Enter the full path of another folder',
    );
  try {
    await writeFile(probe, '');
  } catch {
    throw new InputError(
      'folder',
      'Nothing can be written there.',
      'Choose an existing folder, for example on another disk',
    );
  } finally {
    await rm(probe, { force: true }).catch(() => undefined);
  }
};

/**
 * The backups of a running shop: made by hand and day by day, looked into, and unpacked to be
 * restored.
 */
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
  const settings = backupSettings(db);
  let problem: string | null = null;
  let secondProblem: string | null = null;
  let damaged: string[] = [];
  let checkedMs = -Infinity;
  const make = async (kind: 'daily' | 'by-hand'): Promise<KeptBackup> => {
    const nowMs = Date.now();
    const passphrase = settings.passphrase();
    const place = files.place(kind, nowMs, passphrase !== null);
    try {
      await writeBackup(db, photosDir, place, nowMs, passphrase);
      problem = null;
    } catch (error) {
      problem = (error as Error).message;
      throw error;
    }
    await files.prune(rule('backup.keep'));
    return files.list().find((b) => place.endsWith(b.name))!;
  };
  const aside = () => `${files.folder}/looking-${randomUUID()}`;
  /** Copies a backup into the second folder, under its name once it is whole there. */
  const copyToSecond = async ({ name }: KeptBackup): Promise<void> => {
    const folder = settings.secondFolder();
    if (folder === null) return;
    const making = join(folder, `${name}.making`);
    try {
      await copyFile(files.pathOf(name), making);
      await onDisk(making);
      await rename(making, join(folder, name));
      await backupFolder(folder).prune(rule('backup.keep'));
      secondProblem = null;
    } catch (error) {
      secondProblem = (error as Error).message;
    } finally {
      await rm(making, { force: true }).catch(() => undefined);
    }
  };
  /**
   * Opens the newest backup as a restore would, and compares what it holds with what it says it
   * does.
   */
  const testRestore = async (): Promise<void> => {
    const newest = files.list().find((b) => b.kind !== 'brought-in');
    if (!newest) return;
    const folder = aside();
    const at = new Date().toISOString();
    try {
      const { manifest, holds } = await unpackBackup(files.pathOf(newest.name), folder, {
        passphrase: settings.passphrase(),
      });
      const isSame = isDeepStrictEqual(holds, manifest.holds);
      settings.setTested({
        name: newest.name,
        at,
        problem: isSame ? null : 'Its contents do not match its list.',
      });
    } catch (error) {
      settings.setTested({ name: newest.name, at, problem: (error as Error).message });
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  };
  const isTestDue = (days: number): boolean => {
    const tested = settings.tested();
    return tested === null || Date.now() - Date.parse(tested.at) > days * DAY_MS;
  };
  return {
    now(): BackupsNow {
      const backups = files.list();
      const newest = backups.find((b) => b.kind !== 'brought-in');
      const sinceMs = Date.now() - (newest ? Date.parse(newest.writtenAt) : startedMs);
      const isOld = problem !== null || sinceMs > rule('backup.oldDays') * DAY_MS;
      const second = settings.secondFolder();
      const tested = settings.tested();
      // A new shop has had no week for a test yet.
      const isYoung = newest === undefined || Date.now() - startedMs < TEST_OLD_DAYS * DAY_MS;
      return {
        folder: files.folder,
        backups,
        newestAt: newest?.writtenAt ?? null,
        isOld,
        problem,
        isEncrypted: settings.passphrase() !== null,
        second: second === null ? null : { folder: second, problem: secondProblem },
        tested,
        isTestOld:
          tested?.problem != null || (tested === null ? !isYoung : isTestDue(TEST_OLD_DAYS)),
        damaged,
      };
    },
    make,
    pathOf: files.pathOf,
    /**
     * Takes it apart to see whether it is whole, and what it holds. Throws `InputError` for one
     * that is not.
     */
    async look(name: string): Promise<LookedInto> {
      const folder = aside();
      const { manifest, holds } = await unpackBackup(files.pathOf(name), folder, {
        passphrase: settings.passphrase(),
      });
      await rm(folder, { recursive: true, force: true });
      return { madeAt: manifest.madeAt, holds, here: holdingsOf(db, photoNames(photosDir).length) };
    },
    /** Takes in a backup from elsewhere, once it is found whole. */
    async bringIn(from: Readable): Promise<KeptBackup> {
      const plainPlace = files.place('brought-in', Date.now(), false);
      const making = `${plainPlace}.${randomUUID()}.making`;
      let place = plainPlace;
      await mkdir(dirname(place), { recursive: true });
      const folder = aside();
      try {
        // It is taken apart beside itself: what it holds wants at least as much room again.
        const roomBytes = (await free(dirname(place))) / 2;
        await pipeline(from, atMost(roomBytes), createWriteStream(making, { flush: true }));
        await unpackBackup(making, folder, { roomBytes, passphrase: settings.passphrase() });
        if (await startsAsAge(making)) place = `${plainPlace}${AGE_ENDING}`;
        await rename(making, place);
      } finally {
        await rm(making, { force: true });
        await rm(folder, { recursive: true, force: true });
      }
      return files.list().find((b) => place.endsWith(b.name))!;
    },
    /** The passphrase that encrypts backups; never answered. */
    passphrase: settings.passphrase,
    /** Throws `InputError` for a passphrase that can be guessed. */
    async setPassphrase(passphrase: string | null): Promise<void> {
      if (passphrase !== null) {
        checkSecret(passphrase, 'owner');
        await checkNotTriedFirst(passphrase, []);
      }
      settings.setPassphrase(passphrase);
    },
    /** Throws `InputError` for a folder that is not there, or that cannot be written to. */
    async setSecondFolder(folder: string | null): Promise<void> {
      if (folder !== null) await checkWritable(folder, files.folder);
      settings.setSecondFolder(folder);
      secondProblem = null;
      const newest = files.list()[0];
      if (newest) await copyToSecond(newest);
    },
    testRestore,
    /** Reads all stored photos; ends early when the shop is closed. */
    async checkPhotos(pauseMs?: number): Promise<void> {
      damaged = await damagedPhotos(photosDir, () => !db.open, pauseMs);
      checkedMs = Date.now();
    },
    /**
     * One a day by itself, copied to the second folder; one opened and compared every week; the
     * photos read every day. Until it is stopped; says of one that fails.
     */
    daily(failed: (error: unknown) => void): () => void {
      let isBusy = false;
      const work = async (): Promise<void> => {
        const last = files.list().find((b) => b.kind === 'daily');
        const isDue = !last || Date.now() - Date.parse(last.writtenAt) >= DAY_MS;
        if (isDue && db.open) await copyToSecond(await make('daily'));
        if (db.open && isTestDue(TEST_DAYS)) await testRestore();
        if (db.open && Date.now() - checkedMs >= DAY_MS) await this.checkPhotos();
      };
      const look = () => {
        if (isBusy || !db.open) return;
        isBusy = true;
        void work()
          .catch(failed)
          .finally(() => (isBusy = false));
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
