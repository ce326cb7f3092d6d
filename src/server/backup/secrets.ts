import Database from 'better-sqlite3';
import type { Db } from '../db/open-db';

/** Settings that let someone in, or open a backup. */
const SECRET_SETTINGS = ['calendar-key', 'backup-passphrase'] as const;
/** Tables of nothing but ways in. */
const SECRET_TABLES = ['sessions', 'devices_known', 'passkeys', 'sign_in_tries'] as const;

/** Takes every secret out of a copy of a shop's database, and out of its free pages. */
export const dropSecrets = (copy: string): void => {
  const db = new Database(copy);
  try {
    db.pragma('secure_delete = ON');
    for (const table of SECRET_TABLES) db.exec(`DELETE FROM ${table}`);
    db.exec('UPDATE people SET secret = NULL');
    for (const key of SECRET_SETTINGS) db.prepare('DELETE FROM settings WHERE key = ?').run(key);
    db.exec('VACUUM');
  } finally {
    db.close();
  }
};

/** The sign-in secrets of a shop's people, and its keys. */
export interface ShopSecrets {
  people: { name: string; role: string; secret: string }[];
  settings: { key: string; value: string }[];
}

export const secretsOf = (db: Db): ShopSecrets => ({
  people: db
    .prepare<[], ShopSecrets['people'][number]>(
      'SELECT name, role, secret FROM people WHERE secret IS NOT NULL',
    )
    .all(),
  settings: db
    .prepare<[string], ShopSecrets['settings'][number]>(
      'SELECT key, value FROM settings WHERE key IN (SELECT value FROM json_each(?))',
    )
    .all(JSON.stringify(SECRET_SETTINGS)),
});

/**
 * Gives a restored shop that came without any secret those of the shop it takes the place of: else
 * a restore would open it to everyone. One that brings its own keeps them.
 */
export const giveSecrets = (restored: Db, { people, settings }: ShopSecrets): void => {
  if (secretsOf(restored).people.length > 0) return;
  // An owner who came after the backup has to get in as well.
  const add = restored.prepare('INSERT INTO people (name) VALUES (?) ON CONFLICT DO NOTHING');
  const put = restored.prepare(
    'UPDATE people SET role = @role, secret = @secret WHERE name = @name',
  );
  const putSetting = restored.prepare(
    'INSERT INTO settings (key, value) VALUES (@key, @value) ON CONFLICT DO NOTHING',
  );
  restored.transaction(() => {
    for (const person of people) {
      if (person.role === 'owner') add.run(person.name);
      put.run(person);
    }
    for (const setting of settings) putSetting.run(setting);
  })();
};
