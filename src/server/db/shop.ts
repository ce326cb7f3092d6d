import type { Statement } from 'better-sqlite3';
import { InputError } from '../../core/errors';
import type { Machine, Wheel } from '../../core/wheels';
import { NotFound } from '../errors';
import { STOCK_KINDS, type Shop, type StockItem, type StockKind } from '../../core/shop';
import type { Db } from './open';

type MachineRow = Omit<Machine, 'fasteners'> & { fasteners: string };
type WheelRow = Omit<Wheel, 'tube' | 'rimLockDegs'> & { tube: 0 | 1; rimLockDegs: string };

const MACHINE = `id, name, kind, rider, drive, placard_front_kpa AS placardFrontKpa, placard_rear_kpa AS placardRearKpa, fasteners`;
const WHEEL = `id, machine_id AS machineId, position, build, rim_code AS rimCode, tire_marking AS tireMarking, tube,
  rim_lock_degs AS rimLockDegs, spokes, disc_side AS discSide, rim_limit_kpa AS rimLimitKpa`;

const toMachine = (row: MachineRow): Machine => ({ ...row, fasteners: JSON.parse(row.fasteners) });
const toWheel = (row: WheelRow): Wheel => ({ ...row, tube: row.tube === 1, rimLockDegs: JSON.parse(row.rimLockDegs) });

const STOCK_SQL: Record<StockKind, { list: string; insert: string; table: string }> = {
  tires: {
    table: 'tires',
    list: `SELECT id, marking, pattern, date_code AS dateCode, seat_limit_kpa AS seatLimitKpa, light_mark AS lightMark, count
           FROM tires ORDER BY marking, id`,
    insert: `INSERT INTO tires (id, marking, pattern, date_code, seat_limit_kpa, light_mark, count)
             VALUES (@id, @marking, @pattern, @dateCode, @seatLimitKpa, @lightMark, @count)`,
  },
  tubes: {
    table: 'tubes',
    list: 'SELECT id, label, count FROM tubes ORDER BY label, id',
    insert: 'INSERT INTO tubes (id, label, count) VALUES (@id, @label, @count)',
  },
  weights: {
    table: 'weights',
    list: 'SELECT id, mass_g AS massG, kind, count FROM weights ORDER BY kind DESC, mass_g, id',
    insert: 'INSERT INTO weights (id, mass_g, kind, count) VALUES (@id, @massG, @kind, @count)',
  },
  wrenches: {
    table: 'wrenches',
    list: 'SELECT id, name, min_nm AS minNm, max_nm AS maxNm, lever_mm AS leverMm FROM wrenches ORDER BY min_nm, id',
    insert: 'INSERT INTO wrenches (id, name, min_nm, max_nm, lever_mm) VALUES (@id, @name, @minNm, @maxNm, @leverMm)',
  },
};

const toRow = (item: object): object =>
  Object.fromEntries(Object.entries(item).map(([k, v]) => [k, typeof v === 'boolean' ? Number(v) : v]));

/** The shop's own records: people, machines, wheels and stock. */
export const shopStore = (db: Db) => {
  const setting = db.prepare<[string], { value: string }>('SELECT value FROM settings WHERE key = ?');
  const putSetting = db.prepare('INSERT INTO settings (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value');
  const people = db.prepare<[], { name: string }>('SELECT name FROM people ORDER BY name');
  const addPerson = db.prepare('INSERT INTO people (name) VALUES (?) ON CONFLICT DO NOTHING');
  const machines = db.prepare<[], MachineRow>(`SELECT ${MACHINE} FROM machines ORDER BY name, id`);
  const machine = db.prepare<[string], MachineRow>(`SELECT ${MACHINE} FROM machines WHERE id = ?`);
  const wheels = db.prepare<[], WheelRow>(`SELECT ${WHEEL} FROM wheels ORDER BY machine_id, position, id`);
  const wheel = db.prepare<[string], WheelRow>(`SELECT ${WHEEL} FROM wheels WHERE id = ?`);
  const addMachine = db.prepare(
    `INSERT INTO machines (id, name, kind, rider, drive, placard_front_kpa, placard_rear_kpa, fasteners)
     VALUES (@id, @name, @kind, @rider, @drive, @placardFrontKpa, @placardRearKpa, @fasteners)`,
  );
  const addWheel = db.prepare(
    `INSERT INTO wheels (id, machine_id, position, build, rim_code, tire_marking, tube, rim_lock_degs, spokes, disc_side, rim_limit_kpa)
     VALUES (@id, @machineId, @position, @build, @rimCode, @tireMarking, @tube, @rimLockDegs, @spokes, @discSide, @rimLimitKpa)`,
  );
  const stock = Object.fromEntries(
    STOCK_KINDS.map((kind) => [
      kind,
      {
        list: db.prepare<[], Record<string, unknown>>(STOCK_SQL[kind].list),
        insert: db.prepare(STOCK_SQL[kind].insert),
        remove: db.prepare(`DELETE FROM ${STOCK_SQL[kind].table} WHERE id = ?`),
      },
    ]),
  ) as Record<StockKind, { list: Statement<[], Record<string, unknown>>; insert: Statement; remove: Statement<[string]> }>;

  const listStock = (kind: StockKind): never[] =>
    stock[kind].list
      .all()
      .map((item) => ('lightMark' in item ? { ...item, lightMark: item.lightMark === 1 } : item)) as never[];

  return {
    machine(id: string): Machine | undefined {
      const row = machine.get(id);
      return row && toMachine(row);
    },
    wheel(id: string): Wheel | undefined {
      const row = wheel.get(id);
      return row && toWheel(row);
    },
    all(): Shop {
      return {
        name: setting.get('shop-name')?.value ?? '',
        people: people.all().map((p) => p.name),
        machines: machines.all().map(toMachine),
        wheels: wheels.all().map(toWheel),
        tires: listStock('tires'),
        tubes: listStock('tubes'),
        weights: listStock('weights'),
        wrenches: listStock('wrenches'),
      };
    },
    rename: (name: string) => void putSetting.run('shop-name', name),
    addPerson: (name: string) => void addPerson.run(name),
    /** A machine with its wheels, all or nothing. */
    addMachine: db.transaction((m: Machine, its: Wheel[]) => {
      addMachine.run({ ...m, fasteners: JSON.stringify(m.fasteners) });
      for (const w of its) addWheel.run({ ...w, tube: Number(w.tube), rimLockDegs: JSON.stringify(w.rimLockDegs) });
    }),
    /** Throws `InputError` for a wrench whose scale runs backwards. */
    addStock(kind: StockKind, item: StockItem[StockKind]): void {
      if ('maxNm' in item && item.maxNm <= item.minNm)
        throw new InputError('maxNm', 'The highest setting is not above the lowest.', `a number above ${item.minNm}`);
      stock[kind].insert.run(toRow(item));
    },
    removeStock(kind: StockKind, id: string): void {
      if (stock[kind].remove.run(id).changes === 0) throw new NotFound('There is no such part in stock.');
    },
  };
};
export type ShopStore = ReturnType<typeof shopStore>;
