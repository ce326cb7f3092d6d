import type { TestedRestore } from '../../core/reports/backup';
import type { Db } from '../db/open-db';

const KEYS = {
  passphrase: 'backup-passphrase',
  folder: 'backup-second-folder',
  tested: 'backup-tested',
} as const;

/** The settings of the shop's backups, kept with the shop. */
export const backupSettings = (db: Db) => {
  const get = db.prepare<[string], string>('SELECT value FROM settings WHERE key = ?').pluck();
  const put = db.prepare(
    'INSERT INTO settings (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value',
  );
  const drop = db.prepare('DELETE FROM settings WHERE key = ?');
  const set = (key: string, value: string | null): void =>
    void (value === null ? drop.run(key) : put.run(key, value));
  return {
    /**
     * Backups are encrypted by it; null for backups without secrets, in the clear. It is never
     * given out.
     */
    passphrase: (): string | null => get.get(KEYS.passphrase) ?? null,
    setPassphrase: (passphrase: string | null): void => set(KEYS.passphrase, passphrase),
    /** Each daily backup is copied there too. */
    secondFolder: (): string | null => get.get(KEYS.folder) ?? null,
    setSecondFolder: (folder: string | null): void => set(KEYS.folder, folder),
    /** The last backup that was opened and compared by the program itself. */
    tested: (): TestedRestore | null =>
      JSON.parse(get.get(KEYS.tested) ?? 'null') as TestedRestore | null,
    setTested: (tested: TestedRestore): void => set(KEYS.tested, JSON.stringify(tested)),
  };
};
