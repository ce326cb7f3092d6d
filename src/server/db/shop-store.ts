import { FEW_KINDS, type Pace, type Shop } from '../../core/shop/records';
import type { Machine, Wheel } from '../../core/fit/wheels';
import { changeStore } from './change-store';
import type { Db } from './open-db';
import { recordStore } from './record-store';

/** The shop: its name, its people and its records. */
export const shopStore = (db: Db) => {
  const setting = db.prepare<[string], { value: string }>(
    'SELECT value FROM settings WHERE key = ?',
  );
  const putSetting = db.prepare(
    'INSERT INTO settings (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value',
  );
  const people = db.prepare<[], { name: string; pace: Pace }>(
    'SELECT name, pace FROM people ORDER BY name',
  );
  const putPace = db.prepare<[Pace, string]>('UPDATE people SET pace = ? WHERE name = ?');
  const addPerson = db.prepare('INSERT INTO people (name) VALUES (?) ON CONFLICT DO NOTHING');
  const records = recordStore(db);
  const changes = changeStore(db);
  const FORGOTTEN_AT = 'forgotten-at';
  const name = () => setting.get('shop-name')?.value ?? '';
  return {
    records,
    machine: (id: string): Machine | undefined => records.find('machines', id),
    wheel: (id: string): Wheel | undefined => records.find('wheels', id),
    name,
    people: (): string[] => people.all().map((p) => p.name),
    all: (): Shop =>
      ({
        name: name(),
        people: people.all().map((p) => p.name),
        paces: Object.fromEntries(people.all().map((p) => [p.name, p.pace])),
        ...Object.fromEntries(FEW_KINDS.map((kind) => [kind, records.list(kind)])),
      }) as Shop,
    /** Does what is done once for a database, unless it was done. */
    once: db.transaction((what: string, run: () => void): void => {
      if (setting.get(what) !== undefined) return;
      run();
      putSetting.run(what, 'done');
    }),
    /** When a rider was forgotten last, ISO 8601; null where none was. */
    forgottenAt: (): string | null => setting.get(FORGOTTEN_AT)?.value ?? null,
    forgotten: (at: string): void => void putSetting.run(FORGOTTEN_AT, at),
    rename: (to: string): void => {
      changes.note('people', 'shop', 'the shop', { name: [name(), to] });
      putSetting.run('shop-name', to);
    },
    addPerson: (who: string): void => {
      if (addPerson.run(who).changes > 0) changes.note('people', who, who, {});
    },
    /** False where no one has this name. */
    setPace: (who: string, pace: Pace): boolean => putPace.run(pace, who).changes > 0,
  };
};
export type ShopStore = ReturnType<typeof shopStore>;
