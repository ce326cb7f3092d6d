import { isDeepStrictEqual } from 'node:util';
import { InputError } from '../../core/base/errors';
import {
  columnName,
  complete,
  fieldsOfKind,
  RECORD_KINDS,
  type RecordKind,
  type Records,
} from '../../core/shop/records';
import { ChangedMeanwhile, IdTaken, NotFound } from '../errors';
import { changeStore } from './change-store';
import type { Db } from './open-db';
import { recordPages } from './record-pages';
import { recordWords } from './record-words';

type Row = Record<string, string | number | null>;

/** In which order a kind is listed. */
const ORDER: Record<RecordKind, string> = {
  machines: 'name, id',
  wheels: 'machine_id, position, id',
  tires: 'marking, id',
  tubes: 'label, id',
  strips: 'rim_from_in, width_mm, id',
  locks: 'width_in, mass_g, id',
  valves: 'stem DESC, length_mm, id',
  weights: 'kind DESC, mass_g, id',
  wrenches: 'min_nm, id',
  instruments: 'kind, name, id',
};

const LISTS: readonly string[] = ['places', 'fasteners', 'dated'];

/**
 * The mapping between a record and its row, by the fields of its kind. Column names come from the
 * program alone.
 */
const mapping = (kind: RecordKind) => {
  const fields = fieldsOfKind(kind);
  const flags = new Set([
    'archived',
    ...fields.filter((f) => f.form.as === 'yes').map((f) => f.key),
  ]);
  const lists = new Set(fields.filter((f) => LISTS.includes(f.form.as)).map((f) => f.key));
  const keys = [...fields.map((f) => f.key), 'archived'];
  const columns = (of: string) =>
    ['id', ...keys, 'version'].map((k) => `${of}${columnName(k)} AS ${k}`).join(', ');
  return {
    select: columns(''),
    /** As `r` in a longer statement. */
    page: { select: columns('r.'), order: ORDER[kind].replace(/(^|, )(?=\w)/g, '$1r.') },
    insert: `INSERT INTO ${kind} (${['id', ...keys, 'version'].map(columnName).join(', ')}) VALUES (@id, ${keys.map((k) => `@${k}`).join(', ')}, 1)`,
    update: `UPDATE ${kind} SET ${keys.map((k) => `${columnName(k)} = @${k}`).join(', ')}, version = version + 1 WHERE id = @id AND version = @version`,
    toRow: (it: object): Row =>
      Object.fromEntries(
        Object.entries(it).map(([k, v]) => [
          k,
          flags.has(k) ? Number(v) : lists.has(k) ? JSON.stringify(v) : v,
        ]),
      ) as Row,
    toRecord: (row: Row): never =>
      Object.fromEntries(
        Object.entries(row).map(([k, v]) => [
          k,
          flags.has(k) ? v === 1 : lists.has(k) ? JSON.parse(v as string) : v,
        ]),
      ) as never,
  };
};

const storeOf = (db: Db, kind: RecordKind) => {
  const map = mapping(kind);
  return {
    ...map,
    list: db.prepare<[], Row>(`SELECT ${map.select} FROM ${kind} ORDER BY ${ORDER[kind]}`),
    find: db.prepare<[string], Row>(`SELECT ${map.select} FROM ${kind} WHERE id = ?`),
    add: db.prepare(map.insert),
    change: db.prepare(map.update),
  };
};

/** A write that the database's own rules refuse is the caller's mistake, not a defect. */
const refused = (write: () => void): void => {
  try {
    write();
  } catch (error) {
    const code = (error as { code?: string }).code ?? '';
    if (code === 'SQLITE_CONSTRAINT_FOREIGNKEY')
      throw new InputError('machineId', 'Machine not found.', 'Choose one of the shop’s machines');
    throw error;
  }
};

type Stores = Record<RecordKind, ReturnType<typeof storeOf>>;

const storesOf = (db: Db): Stores =>
  Object.fromEntries(RECORD_KINDS.map((kind) => [kind, storeOf(db, kind)])) as Stores;

/** Machines, wheels and stock of a database that is only read. */
export const recordReader = (db: Db, stores: Stores = storesOf(db)) => ({
  list: <K extends RecordKind>(kind: K): Records[K][] =>
    stores[kind].list.all().map(stores[kind].toRecord),
  find: <K extends RecordKind>(kind: K, id: string): Records[K] | undefined => {
    const row = stores[kind].find.get(id);
    return row && stores[kind].toRecord(row);
  },
});

/**
 * Machines, wheels and stock: listed, added, changed and archived, never deleted, since jobs speak
 * of them.
 */
export const recordStore = (db: Db) => {
  const stores = storesOf(db);
  const { list, find } = recordReader(db, stores);
  const wheelsOf = db.prepare<[string], { many: number }>(
    'SELECT count(*) AS many FROM wheels WHERE machine_id = ?',
  );
  const ofMachine = db.prepare<[string], Row>(
    `SELECT ${stores.wheels.select} FROM wheels WHERE machine_id = ? ORDER BY ${ORDER.wheels}`,
  );
  const wheelsOfMachine = (machineId: string): Records['wheels'][] =>
    ofMachine.all(machineId).map(stores.wheels.toRecord);
  const forRim = db.prepare<[number], Row>(
    `SELECT ${stores.tires.page.select} FROM record_texts AS t JOIN tires AS r ON r.id = t.id
     WHERE t.rim_in = ? AND r.archived = 0 ORDER BY ${stores.tires.page.order}`,
  );
  const words = recordWords(db, { list });
  words.settleAll();
  const changes = changeStore(db);
  const watchers: ((kind: RecordKind, it: Records[RecordKind]) => void)[] = [];
  const kept = <K extends RecordKind>(kind: K, it: Records[K]): void => {
    words.settle(kind, it, wheelsOfMachine);
    watchers.forEach((told) => told(kind, it));
  };
  /** Whether it is there already, as it is sent once more. */
  const isThere = <K extends RecordKind>(kind: K, it: Records[K]): boolean => {
    const there = find(kind, it.id);
    return (
      there !== undefined && isDeepStrictEqual({ ...there, version: 1 }, { ...it, version: 1 })
    );
  };
  /** Throws `IdTaken` where a record of that id is there. */
  const insert = <K extends RecordKind>(kind: K, it: Records[K]): void => {
    if (find(kind, it.id)) throw new IdTaken('id', 'A record');
    refused(() => void stores[kind].add.run(stores[kind].toRow(it)));
    changes.record(kind, null, it);
    kept(kind, it);
  };
  /** Throws `ChangedMeanwhile` with the record as it stands when `version` is not the newest. */
  const change = <K extends RecordKind>(kind: K, it: Records[K]): Records[K] => {
    const before = find(kind, it.id);
    let rows = 0;
    refused(() => (rows = stores[kind].change.run(stores[kind].toRow(it)).changes));
    const now = find(kind, it.id);
    if (!now) throw new NotFound('Record not found.');
    if (rows === 0) throw new ChangedMeanwhile(now);
    changes.record(kind, before ?? null, now);
    kept(kind, now);
    return now;
  };
  return {
    list,
    find,
    /** A page of those that fit, and how many there are. */
    page: recordPages(db, (kind) => ({ ...stores[kind].page, toRecord: stores[kind].toRecord })),
    /** The wheels of a machine, archived ones included. */
    wheelsOf: wheelsOfMachine,
    /** The tires of the shelf that are for a rim of this diameter, in inches. */
    tiresFor: (rimIn: number): Records['tires'][] => forRim.all(rimIn).map(stores.tires.toRecord),
    /** Sent again it is there already. Throws `IdTaken` where another record has its id. */
    add: db.transaction((kind, it) => {
      if (!isThere(kind, it)) insert(kind, it);
    }) as typeof insert,
    change: db.transaction(change) as typeof change,
    /** Tells of every record that is added or changed, in the same transaction. */
    watch: (told: (kind: RecordKind, it: Records[RecordKind]) => void): void =>
      void watchers.push(told),
    /** A machine with its wheels, all or nothing; sent again they are there already. */
    addMachine: db.transaction((machine: Records['machines'], wheels: Records['wheels'][]) => {
      const known = wheelsOf.get(machine.id)!.many;
      if (
        isThere('machines', machine) &&
        known === wheels.length &&
        wheels.every((w) => isThere('wheels', w))
      )
        return;
      insert('machines', machine);
      for (const wheel of wheels) insert('wheels', wheel);
    }),
    /**
     * A record of another shop, with its version; who changed it there is told by what came with
     * it.
     */
    bringIn: <K extends RecordKind>(kind: K, it: Records[K]): void => {
      refused(() => void stores[kind].add.run(stores[kind].toRow(it)));
      db.prepare(`UPDATE ${kind} SET version = ? WHERE id = ?`).run(it.version, it.id);
      kept(kind, it);
    },
    /** Many at once, all or nothing. */
    takeIn: db.transaction(
      <K extends RecordKind>(kind: K, added: Records[K][], changed: Records[K][]) => {
        for (const it of added) insert(kind, it);
        for (const it of changed) change(kind, it);
      },
    ),
    /** For records made by the program itself, with the usual values for what they do not say. */
    addParts: <K extends RecordKind>(kind: K, parts: Partial<Records[K]>): void =>
      insert(kind, complete(kind, parts)),
  };
};
export type RecordStore = ReturnType<typeof recordStore>;
