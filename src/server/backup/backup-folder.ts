import { existsSync, readdirSync, statSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { BackupKind, KeptBackup } from '../../core/reports/backup';
import { NotFound } from '../errors';
import { AGE_ENDING } from './encryption';
import { stampOf } from './replace-database';

const NAME = /^(daily|by-hand|brought-in)-[\w-]{1,60}\.zip(\.age)?$/;

/** A folder of backups, the newest first. */
export const backupFolder = (path: string) => {
  const folder = resolve(path);
  const list = (): KeptBackup[] =>
    (existsSync(folder) ? readdirSync(folder) : [])
      .filter((name) => NAME.test(name))
      .map((name) => ({ name, stat: statSync(join(folder, name), { throwIfNoEntry: false }) }))
      .flatMap(({ name, stat }) =>
        stat
          ? [
              {
                name,
                kind: NAME.exec(name)![1] as BackupKind,
                isEncrypted: name.endsWith(AGE_ENDING),
                bytes: stat.size,
                writtenAt: stat.mtime.toISOString(),
              },
            ]
          : [],
      )
      .sort((a, b) => b.writtenAt.localeCompare(a.writtenAt) || b.name.localeCompare(a.name));
  return {
    folder,
    list,
    /** The path of a new one. */
    place: (kind: BackupKind, nowMs: number, isEncrypted: boolean): string =>
      join(folder, `${kind}-${stampOf(nowMs)}.zip${isEncrypted ? AGE_ENDING : ''}`),
    /** Throws `NotFound` for a name that is none of its backups. */
    pathOf(name: string): string {
      if (!NAME.test(name) || !existsSync(join(folder, name)))
        throw new NotFound('Backup not found.');
      return join(folder, name);
    },
    /** Of the daily ones only so many stay; what someone made or brought is left to them. */
    async prune(keep: number): Promise<void> {
      const daily = list().filter((b) => b.kind === 'daily');
      for (const { name } of daily.slice(keep)) await rm(join(folder, name), { force: true });
    },
  };
};
