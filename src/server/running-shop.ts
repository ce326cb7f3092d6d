import { randomUUID } from 'node:crypto';
import { rename, rm } from 'node:fs/promises';
import type { RequestListener } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { createApp, shopDevices, type AppOptions } from './app';
import { shopBackups } from './backup/shop-backups';
import { swapIn } from './backup/swap-in';
import { unpackBackup } from './backup/unpack-backup';
import { doorStore } from './db/door-store';
import { writeBack } from './db/journal';
import { InputError } from '../core/errors';
import { DatabaseUnusable, openDb } from './db/open-db';
import { ServerBusy } from './errors';
import { ruleStore } from './db/rule-store';
import { sameFile } from './db/same-file';
import { liveHub } from './live/live-hub';
import { backupsBeside, photosBeside } from './paths';
import { tidyPhotos } from './photo-tidy';
import type { WorkPool } from './work';

const WRITE_BACK_EVERY_MS = 2000;
const TIDY_EVERY_MS = 6 * 3_600_000;
/** How long what is still being answered may take before the database is closed under it. */
const DRAIN_MS = 5000;
const DRAIN_LOOK_MS = 20;

const RESTORING = JSON.stringify({
  error: {
    field: 'server',
    message: 'A backup is being restored. Nothing was written.',
    expected: 'another try in a moment',
  },
});

/** What a shop is told from outside. */
type Passed = 'logger' | 'passphrase' | 'isReachable' | 'addresses' | 'proxy' | 'root';

/**
 * A shop on its file: answers requests, writes its journal back, and can be closed and begun anew on a restored file
 * while the server goes on listening. Throws `DatabaseUnusable` where the file cannot be used.
 */
export const runningShop = (file: string, { work, ...options }: Pick<AppOptions, Passed> & { work: WorkPool }) => {
  const photosDir = photosBeside(file);
  let answering = 0;

  const begin = (isRestored = false) => {
    const db = openDb(file);
    const doors = doorStore(db);
    // What was ended since the backup was made stays ended.
    if (isRestored) doors.endAll();
    const devices = shopDevices(db);
    const live = liveHub();
    const store = shopBackups(db, ruleStore(db), photosDir, backupsBeside(file));
    const app = createApp(db, {
      ...options,
      work,
      photosDir,
      devices,
      live,
      isHere: sameFile(file),
      backups: { store, restore },
    });
    const endDaily = store.daily((error) => options.logger.error({ err: error }, 'no backup could be made'));
    const isHere = sameFile(file);
    const tidy = () => {
      // Another database's photographs are none of ours.
      if (!isHere()) return;
      tidyPhotos(db, photosDir, Date.now()).catch((error: unknown) => {
        if (db.open) options.logger.error({ err: error }, 'photographs could not be tidied');
      });
    };
    const tidying = setInterval(tidy, TIDY_EVERY_MS).unref();
    const timer = setInterval(() => writeBack(db, file), WRITE_BACK_EVERY_MS).unref();
    const endStreams = (): void => {
      devices.stop();
      live.stop();
    };
    return {
      app,
      doors,
      endStreams,
      close(): void {
        clearInterval(timer);
        clearInterval(tidying);
        endDaily();
        endStreams();
        db.close();
      },
    };
  };

  let restoring = false;
  /** Closes the shop, puts what was unpacked in its place and begins anew; the old one is begun again where that fails. */
  const swapped = async (folder: string): Promise<string | null> => {
    try {
      current.endStreams();
      // All but the one that asked for it.
      for (let waitedMs = 0; answering > 1 && waitedMs < DRAIN_MS; waitedMs += DRAIN_LOOK_MS) await wait(DRAIN_LOOK_MS);
      current.close();
      let kept: string | null = null;
      try {
        kept = await swapIn(folder, file, photosDir);
        current = begin(true);
      } catch (error) {
        // The shop goes on as it was.
        if (kept !== null) await rename(kept, file);
        current = begin();
        if (!(error instanceof DatabaseUnusable)) throw error;
        throw new InputError(
          'backup',
          `It could not be opened, and the shop is as it was: ${error.message}`,
          'a backup of a shop that this program can open',
        );
      }
      return kept;
    } finally {
      restoring = false;
    }
  };

  const restore = async (path: string): Promise<{ kept: string | null }> => {
    const folder = `${file}.restoring-${randomUUID()}`;
    await unpackBackup(path, folder);
    try {
      if (restoring) throw new ServerBusy();
      restoring = true;
      return { kept: await swapped(folder) };
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  };

  let current = begin();
  const answer: RequestListener = (req, res) => {
    if (restoring) {
      res.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '2' }).end(RESTORING);
      return;
    }
    answering++;
    res.once('close', () => answering--);
    current.app(req, res);
  };
  return {
    answer,
    /** Whether people sign in at it. */
    areDoorsClosed: () => current.doors.areClosed(),
    endStreams: () => current.endStreams(),
    close(): void {
      void work.close();
      current.close();
    },
  };
};
