import type { Passkey } from '../../core/shop/auth';
import type { Db } from './open-db';

/** A passkey with the public half of its key. */
export interface StoredPasskey {
  id: string;
  who: string;
  label: string;
  publicKey: Buffer;
  counter: number;
  /** WebAuthn transports, such as `internal` or `usb`. */
  transports: string[];
}

interface Row extends Omit<StoredPasskey, 'transports'> {
  transports: string;
}

/** The passkeys of the shop's people. */
export const passkeyStore = (db: Db) => {
  const list = db.prepare<[string], Passkey>(
    'SELECT id, label, added_at AS addedAt, used_at AS usedAt FROM passkeys WHERE who = ? ORDER BY added_at',
  );
  const one = db.prepare<[string], Row>(
    'SELECT id, who, label, public_key AS publicKey, counter, transports FROM passkeys WHERE id = ?',
  );
  const all = db.prepare<[string], Row>(
    'SELECT id, who, label, public_key AS publicKey, counter, transports FROM passkeys WHERE who = ?',
  );
  const add = db.prepare(
    `INSERT INTO passkeys (id, who, label, public_key, counter, transports, added_at)
     VALUES (@id, @who, @label, @publicKey, @counter, @transports, @at)`,
  );
  const used = db.prepare('UPDATE passkeys SET counter = ?, used_at = ? WHERE id = ?');
  const remove = db.prepare('DELETE FROM passkeys WHERE id = ? AND who = ?');
  const stored = (row: Row): StoredPasskey => ({
    ...row,
    transports: JSON.parse(row.transports) as string[],
  });
  return {
    list: (who: string): Passkey[] => list.all(who),
    find(id: string): StoredPasskey | null {
      const row = one.get(id);
      return row ? stored(row) : null;
    },
    of: (who: string): StoredPasskey[] => all.all(who).map(stored),
    add: (key: StoredPasskey, at: string): void =>
      void add.run({ ...key, transports: JSON.stringify(key.transports), at }),
    /**
     * It was used; a counter that goes back means a copied key, which the verification refuses
     * before.
     */
    used: (id: string, counter: number, at: string): void => void used.run(counter, at, id),
    remove: (id: string, who: string): boolean => remove.run(id, who).changes > 0,
  };
};
export type PasskeyStore = ReturnType<typeof passkeyStore>;
