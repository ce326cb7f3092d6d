import Database from 'better-sqlite3';
import { resolve } from 'node:path';
import { writeBackup } from './backup/write-backup';
import { belongsToJournal } from './db/journal';
import { checkBegun, checkFile } from './db/open-db';
import { makeForOwnerOnly } from './auth/owner-only';
import { photosBeside, shopFile } from './paths';

/** `backup FILE`: the whole shop into one file, while it runs or not. */
const main = async (): Promise<void> => {
  makeForOwnerOnly();
  const to = process.argv[2];
  if (!to) throw new Error('Name the file: npm run backup -- FILE.zip');
  const file = shopFile();
  checkBegun(file, false);
  if (!belongsToJournal(file))
    throw new Error(
      `The journal beside ${file} is another database’s. Start the shop to see more.`,
    );
  checkFile(file);
  const db = new Database(file, { fileMustExist: true });
  // What the running program has in its journal stays its own to write back.
  db.pragma('wal_autocheckpoint = 0');
  try {
    const { holds } = await writeBackup(
      db,
      photosBeside(file),
      resolve(to),
      Date.now(),
      process.env.RIMSTONE_BACKUP_PASSPHRASE ?? null,
    );
    const { jobs, entries, photographs } = holds;
    process.stdout.write(
      `${resolve(to)}: ${jobs} jobs, ${entries} entries, ${photographs} photographs, checked.\n`,
    );
  } finally {
    db.close();
  }
};

main().catch((error: Error) => {
  process.stderr.write(`No backup was made. ${error.message}\n`);
  process.exitCode = 1;
});
