import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { resolve } from 'node:path';
import type { Holdings } from '../core/reports/backup';
import { InputError, refusalText } from '../core/base/errors';
import { holdingsOf, photoNames } from './backup/holdings';
import { giveSecrets, secretsOf, type ShopSecrets } from './backup/secrets';
import { swapIn } from './backup/replace-database';
import { unpackBackup } from './backup/unpack-backup';
import { ownFile } from './db/file-owner';
import { checkFile, openDb } from './db/open-db';
import { makeForOwnerOnly } from './auth/owner-only';
import { photosBeside, shopFile } from './paths';

const say = (text: string): void => void process.stdout.write(`${text}\n`);

const described = ({ shopName, machines, jobs, entries, photographs, lastAt }: Holdings): string =>
  `${shopName || 'a shop without a name'}: ${machines} machines, ${jobs} jobs, ${entries} entries, ` +
  `${photographs} photos, last entry ${lastAt ?? 'never'}`;

/** The contents of the present shop; a sentence if they cannot be read. */
const hereNow = (file: string): string => {
  if (!existsSync(file)) return 'nothing';
  try {
    checkFile(file);
    const db = new Database(file, { readonly: true });
    const holds = holdingsOf(db, photoNames(photosBeside(file)).length);
    db.close();
    return described(holds);
  } catch (error) {
    return `a file that cannot be used (${(error as Error).message})`;
  }
};

/**
 * Opened and closed once, so that a journal left by a power cut is in its database; a damaged one
 * is left as it is. Returns its secrets.
 */
const settled = (file: string): ShopSecrets | null => {
  try {
    if (!existsSync(file)) return null;
    const db = openDb(file);
    const secrets = secretsOf(db);
    db.close();
    return secrets;
  } catch {
    // It is kept as it stands.
    return null;
  }
};

/**
 * `restore FILE [--yes]`: checks a backup and says what it holds; with `--yes` it takes the shop's
 * place.
 */
const main = async (): Promise<void> => {
  makeForOwnerOnly();
  const from = process.argv[2];
  if (!from || from.startsWith('--'))
    throw new Error('Name the backup: npm run restore -- FILE.zip');
  const file = shopFile();
  const folder = `${file}.restoring-${randomUUID()}`;
  const { manifest, holds } = await unpackBackup(resolve(from), folder, {
    passphrase: process.env.RIMSTONE_BACKUP_PASSPHRASE ?? null,
  });
  say(`The backup of ${manifest.madeAt} is whole. It holds ${described(holds)}.`);
  say(`Here is ${hereNow(file)}.`);
  if (!process.argv.includes('--yes')) {
    await rm(folder, { recursive: true, force: true });
    say('Nothing changed. To restore it: npm run restore -- FILE.zip --yes');
    return;
  }
  // Not under a server that has the shop open.
  const owner = existsSync(file) ? ownFile(file) : null;
  try {
    const secrets = settled(file);
    const kept = await swapIn(folder, file, photosBeside(file));
    if (secrets !== null) {
      const db = openDb(file);
      giveSecrets(db, secrets);
      db.close();
    }
    say(kept ? `Restored. The previous shop is saved as ${kept}.` : 'Restored.');
  } finally {
    owner?.release();
    await rm(folder, { recursive: true, force: true });
  }
};

main().catch((error: Error) => {
  process.stderr.write(
    `Nothing was restored. ${error instanceof InputError ? refusalText(error) : error.message}\n`,
  );
  process.exitCode = 1;
});
