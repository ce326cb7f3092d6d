import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { basename, dirname, join, resolve } from 'node:path';
import type { Forgotten, RiderKept } from '../../core/shop/riders';
import { onDisk } from '../backup/on-disk';
import { changeStore } from '../db/change-store';
import { checkFile, type Db } from '../db/open-db';
import { runAsSystem } from '../auth/current-user';
import { NotFound } from '../errors';
import { copyOf } from '../exchange/copy-of';
import { forgetRider } from './forget-rider';

/** Copies of the whole database that the program made: before a migration, before a restore. */
const COPY = /\.before-(version|restore)-/;

/** The data kept of riders, and how one is forgotten. `folder` is that of the backups. */
export const shopRiders = (db: Db, folder: string) => {
  const machines = db.prepare<[string], { id: string; name: string }>(
    'SELECT id, name FROM machines WHERE rider = ? ORDER BY name, id',
  );
  const count = (table: string) =>
    db.prepare<[string], number>(`SELECT count(*) FROM ${table} WHERE rider = ?`).pluck();
  const visits = count('visits');
  const jobs = count('jobs');

  const kept = (name: string): RiderKept => {
    const found = {
      name,
      machines: machines.all(name),
      visits: visits.get(name)!,
      jobs: jobs.get(name)!,
    };
    if (found.machines.length + found.visits + found.jobs === 0)
      throw new NotFound('No rider has this name.');
    return found;
  };

  /** Files that were written before and hold what was forgotten. */
  const stillIn = (): string[] => {
    const namesIn = (path: string, fits: (name: string) => boolean) =>
      existsSync(path)
        ? readdirSync(path)
            .filter(fits)
            .map((name) => join(path, name))
        : [];
    const beside = db.memory
      ? []
      : namesIn(dirname(resolve(db.name)), (n) => n.startsWith(basename(db.name)) && COPY.test(n));
    return [...namesIn(resolve(folder), (n) => n.endsWith('.zip')), ...beside].sort();
  };

  return {
    /** Throws `NotFound` where there is no one of this name. */
    kept,
    /**
     * Makes the shop without a rider beside the running one, in a folder of its own. `also` are
     * other words of theirs. Throws `NotFound`, and `InputError` for words too short to be looked
     * for.
     */
    async without(
      name: string,
      also: readonly string[],
    ): Promise<{ forgotten: Forgotten; folder: string }> {
      kept(name);
      const into = join(resolve(folder), `taking-in-${randomUUID()}`);
      const at = new Date().toISOString();
      const { path, copy } = await copyOf(db, into);
      try {
        const told = await runAsSystem(() => forgetRider(copy, [name, ...also], at));
        changeStore(copy).note('people', 'rider', 'a rider', { forgotten: [null, 'yes'] });
        // A file of its own: no page of the copy goes on in it.
        copy.prepare('VACUUM INTO ?').run(`${path}.new`);
        copy.close();
        await rename(`${path}.new`, path);
        checkFile(path);
        await onDisk(path);
        return { forgotten: { at, ...told, stillIn: stillIn() }, folder: into };
      } catch (error) {
        if (copy.open) copy.close();
        await rm(into, { recursive: true, force: true });
        throw error;
      }
    },
  };
};
export type ShopRiders = ReturnType<typeof shopRiders>;
