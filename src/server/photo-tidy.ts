import { existsSync } from 'node:fs';
import { readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { DAY_MS } from '../core/base/units';
import type { Db } from './db/open-db';

/**
 * A picture that no entry names may be on its way from a bench that cannot reach the shop. Basis:
 * memory.
 */
const UNNAMED_DAYS = 30;

/**
 * Takes away pictures that no entry has named for so long, and what an interrupted keeping left;
 * their names.
 */
export const tidyPhotos = async (db: Db, dir: string, nowMs: number): Promise<string[]> => {
  if (!existsSync(dir)) return [];
  const named = db
    .prepare<[string], 1>("SELECT 1 FROM entries WHERE kind = 'photo' AND data ->> 'photoId' = ?")
    .pluck();
  const gone: string[] = [];
  for (const name of await readdir(dir)) {
    const path = join(dir, name);
    if (nowMs - (await stat(path)).mtimeMs < UNNAMED_DAYS * DAY_MS) continue;
    // An undone entry names it still: it can be put back.
    if (!name.endsWith('.making') && named.get(name.replace(/\.\w+$/, '')) !== undefined) continue;
    await rm(path, { force: true });
    gone.push(name);
  }
  return gone;
};
