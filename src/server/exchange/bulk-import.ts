import { rm } from 'node:fs/promises';
import { setImmediate as others } from 'node:timers/promises';
import { onDisk } from '../backup/on-disk';
import { jobStores } from '../db/job-store';
import { checkFile, type Db } from '../db/open-db';
import { ruleStore } from '../db/rule-store';
import { shopStore } from '../db/shop-store';
import { tell, type Told } from '../progress';
import type { ManyRecords } from '../routes/record-files';
import { copyOf } from './copy-of';

/** Others are answered after so long. */
const AT_ONCE_MS = 8;

/**
 * Makes a copy of the shop with very many records in it, in a folder of its own. Throws
 * `ChangedMeanwhile` where one of them was changed since it was read, and what `gone` was aborted
 * with; the folder is gone then.
 */
export const copyWithRecords = async (
  db: Db,
  folder: string,
  { kind, add, change }: ManyRecords,
  told: Told,
  gone: AbortSignal,
): Promise<void> => {
  const { path, copy } = await copyOf(db, folder);
  try {
    const shop = shopStore(copy);
    const { records } = shop;
    // What is to be looked at again follows the records.
    jobStores(copy, shop, ruleStore(copy));
    const steps = [
      ...add.map((it) => () => records.add(kind, it)),
      ...change.map((it) => () => void records.change(kind, it)),
    ];
    copy.exec('BEGIN');
    let sinceMs = performance.now();
    for (const [i, step] of steps.entries()) {
      step();
      if (performance.now() - sinceMs < AT_ONCE_MS) continue;
      tell(told, 'taking', i, steps.length);
      gone.throwIfAborted();
      await others();
      sinceMs = performance.now();
    }
    copy.exec('COMMIT');
    copy.close();
    checkFile(path);
    await onDisk(path);
  } catch (error) {
    if (copy.open) copy.close();
    await rm(folder, { recursive: true, force: true });
    throw error;
  }
};
