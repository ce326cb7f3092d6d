import { randomUUID } from 'node:crypto';
import { rename, rm } from 'node:fs/promises';
import type { RequestListener, ServerResponse } from 'node:http';
import type { RequestHandler } from 'express';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { shopDevices } from './api-routes';
import { createApp } from './app';
import type { AppOptions } from './app-options';
import { bodyWatch } from './body-watch';
import { shopBackups } from './backup/shop-backups';
import { giveSecrets, secretsOf } from './backup/secrets';
import { swapIn } from './backup/replace-database';
import { unpackBackup } from './backup/unpack-backup';
import { ruleNumber, valuesOf } from '../core/base/rules';
import { watchClock } from './clock-watch';
import { changeStore } from './db/change-store';
import { authStore } from './db/auth-store';
import { ownFile } from './db/file-owner';
import { writeBack } from './db/journal';
import { InputError } from '../core/base/errors';
import { DatabaseUnusable, openDb } from './db/open-db';
import { ServerBusy } from './errors';
import { ruleStore } from './db/rule-store';
import { sameFile } from './db/file-identity';
import { copyWithRecords } from './exchange/bulk-import';
import { shopExchange } from './exchange/shop-exchange';
import { liveHub } from './live/live-hub';
import { shopRiders } from './riders/shop-riders';
import type { TakeIn } from './routes/exchange';
import type { ManyIn } from './routes/record-files';
import type { Forget } from './routes/riders';
import { backupsBeside, photosBeside } from './paths';
import { tidyPhotos } from './photo-tidy';
import type { WorkPool } from './work/work-pool';

const WRITE_BACK_EVERY_MS = 2000;
const TIDY_EVERY_MS = 6 * 3_600_000;
/** The longest wait for answers in progress before the database is closed under them. */
const DRAIN_MS = 5000;
const DRAIN_LOOK_MS = 20;
/** The interval at which idle screens are locked, so that their streams end as well. */
const LOCK_EVERY_MS = 15_000;

/** The work on the shop's own file in progress, and the words for requests meanwhile. */
const BUSY = {
  restoring: 'A backup is being restored. Nothing was saved.',
  'taking in': 'A file is being imported. Nothing was saved.',
  forgetting: 'A rider’s name is being erased. Nothing was saved.',
};
type Busy = keyof typeof BUSY;

const refuse = (res: ServerResponse, message: string): void => {
  res
    .writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '2' })
    .end(
      JSON.stringify({ error: { field: 'server', message, expected: 'Try again in a moment' } }),
    );
};

/** The methods that change nothing. */
const READS: readonly (string | undefined)[] = ['GET', 'HEAD', 'OPTIONS'];

/** The options of a shop that come from outside. */
type Passed = 'logger' | 'passphrase' | 'isReachable' | 'addresses' | 'proxy' | 'root';

/**
 * A shop on its file: answers requests, writes its journal back, and can be closed and begun again
 * on a restored file while the server goes on listening. Throws `DatabaseUnusable` where the file
 * cannot be used.
 */
export const runningShop = (
  file: string,
  { work, ...options }: Pick<AppOptions, Passed> & { work: WorkPool },
) => {
  const photosDir = photosBeside(file);
  const owner = ownFile(file);
  let answering = 0;
  let writing = 0;
  const mayCome = bodyWatch();
  /** No one is answered. */
  let swapping: Busy | null = null;
  /** Anyone who writes is asked to wait. */
  let remaking: Busy | null = null;

  /**
   * Counts a request that writes from the moment its body is whole; half a request holds nothing
   * up.
   */
  const beforeWrite: RequestHandler = (req, res, next) => {
    if (READS.includes(req.method)) return next();
    const busy = swapping ?? remaking;
    if (busy !== null) return refuse(res, BUSY[busy]);
    writing++;
    res.once('close', () => writing--);
    next();
  };

  const begin = (isRestored = false) => {
    const db = openDb(file);
    const rules = ruleStore(db);
    const auth = authStore(db, () => ruleNumber('doors.lockMinutes', valuesOf(rules.list())));
    // What was ended since the backup was made stays ended.
    if (isRestored) auth.endAll();
    const exchange = shopExchange(db, photosDir, backupsBeside(file));
    const riders = shopRiders(db, backupsBeside(file));
    const devices = shopDevices(db);
    const live = liveHub();
    const store = shopBackups(db, rules, photosDir, backupsBeside(file));
    const app = createApp(db, {
      ...options,
      work,
      photosDir,
      devices,
      live,
      isHere: sameFile(file),
      backups: { store, restore },
      exchange: { store: exchange, takeIn },
      riders: { store: riders, forget },
      manyIn,
      beforeWrite,
    });
    const endDaily = store.daily((error) =>
      options.logger.error({ err: error }, 'no backup could be made'),
    );
    const isHere = sameFile(file);
    const tidy = () => {
      // Another database's photographs are none of ours.
      if (!isHere()) return;
      tidyPhotos(db, photosDir, Date.now()).catch((error: unknown) => {
        if (db.open) options.logger.error({ err: error }, 'cleaning up photos failed');
      });
    };
    const tidying = setInterval(tidy, TIDY_EVERY_MS).unref();
    const timer = setInterval(() => writeBack(db, file), WRITE_BACK_EVERY_MS).unref();
    const endStreams = (): void => {
      devices.stop();
      live.stop();
      exchange.stop();
    };
    return {
      app,
      auth,
      db,
      passphrase: store.passphrase,
      exchange,
      riders,
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

  /**
   * Waits, though not for ever, until only the one that asked for it is left; says whether it is.
   */
  const alone = async (left: () => number): Promise<boolean> => {
    for (let waitedMs = 0; left() > 1 && waitedMs < DRAIN_MS; waitedMs += DRAIN_LOOK_MS)
      await wait(DRAIN_LOOK_MS);
    return left() <= 1;
  };
  /**
   * Closes the shop, puts what lies in a folder in its place and begins again; the old one is begun
   * again where that fails.
   */
  const swapped = async (folder: string, busy: Busy, isKept = true): Promise<string | null> => {
    swapping = busy;
    try {
      current.endStreams();
      await alone(() => answering);
      const secrets = secretsOf(current.db);
      current.close();
      let kept: string | null = null;
      try {
        kept = await swapIn(folder, file, photosDir, isKept);
        current = begin(busy === 'restoring');
        if (busy === 'restoring') giveSecrets(current.db, secrets);
      } catch (error) {
        // The shop goes on as it was.
        if (kept !== null) await rename(kept, file);
        current = begin();
        if (!(error instanceof DatabaseUnusable)) throw error;
        throw new InputError(
          'backup',
          `It could not be opened, and the shop is as it was: ${error.message}`,
          'Choose a backup this version can open',
        );
      }
      return kept;
    } finally {
      swapping = null;
    }
  };

  const restore = async (path: string): Promise<{ kept: string | null }> => {
    const folder = `${file}.restoring-${randomUUID()}`;
    await unpackBackup(path, folder, { passphrase: current.passphrase() });
    try {
      if (swapping !== null || remaking !== null) throw new ServerBusy();
      return { kept: await swapped(folder, 'restoring') };
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  };

  /** Makes another shop beside the running one while no one writes, and puts it in its place. */
  const remade = async <T>(
    busy: Busy,
    isKept: boolean,
    make: () => Promise<{ made: T; folder: string }>,
  ) => {
    if (swapping !== null || remaking !== null) throw new ServerBusy();
    remaking = busy;
    try {
      // What someone is still writing would not be in it.
      if (!(await alone(() => writing))) throw new ServerBusy();
      const { made, folder } = await make();
      try {
        return { made, kept: await swapped(folder, busy, isKept) };
      } finally {
        await rm(folder, { recursive: true, force: true });
      }
    } finally {
      remaking = null;
    }
  };
  const takeIn: TakeIn = async (id) => {
    const { exchange } = current;
    const { made, kept } = await remade('taking in', true, async () => {
      const { plan, folder } = await exchange.made(id);
      return { made: plan, folder };
    });
    await exchange.forget(id);
    return { plan: made, kept };
  };
  const manyIn: ManyIn = async (many, told, gone) => {
    const { db } = current;
    await remade('taking in', false, async () => {
      const folder = join(backupsBeside(file), `taking-in-${randomUUID()}`);
      await copyWithRecords(db, folder, many, told, gone);
      return { made: null, folder };
    });
  };
  const forget: Forget = async (name, also) => {
    const { riders } = current;
    // The shop as it was is not kept: it holds the name.
    const { made } = await remade('forgetting', false, async () => {
      const { forgotten, folder } = await riders.without(name, also);
      return { made: forgotten, folder };
    });
    return made;
  };

  /** The shop as it is begun first; without it the file is no one's. */
  const first = () => {
    try {
      return begin();
    } catch (error) {
      owner.release();
      throw error;
    }
  };
  let current = first();
  const lastAt = current.db
    .prepare<[], string | null>('SELECT max(last_at) FROM jobs')
    .pluck()
    .get();
  const endWatch = watchClock(lastAt ?? null, ({ from, to }) => {
    options.logger.warn({ from, to }, 'the clock jumped');
    // A log never runs backward; the change log says when the clock was not to be trusted.
    changeStore(current.db).note(
      'clock',
      'clock',
      'the clock of the shop computer',
      { time: [from, to] },
      null,
    );
  });
  const endIdle = setInterval(() => current.auth.lockIdle(Date.now()), LOCK_EVERY_MS).unref();
  const answer: RequestListener = (req, res) => {
    const isRead = READS.includes(req.method);
    const busy = swapping ?? (isRead ? null : remaking);
    if (busy !== null) return refuse(res, BUSY[busy]);
    if (!mayCome(req, res)) return refuse(res, 'Too many requests at once from your address.');
    answering++;
    res.once('close', () => answering--);
    current.app(req, res);
  };
  return {
    answer,
    /** Whether people sign in at it. */
    isSignInOn: () => current.auth.areClosed(),
    endStreams: () => current.endStreams(),
    /** Notes where it listens, for one who tries to start another server on the same file. */
    listensAt: owner.listensAt,
    close(): void {
      endWatch();
      clearInterval(endIdle);
      void work.close();
      current.close();
      owner.release();
    },
  };
};
