import { isDeepStrictEqual } from 'node:util';
import type { ChangedKind, ShopChange } from '../../core/shop/records';
import { currentUser } from '../auth/current-user';
import type { Db } from './open-db';

type Fields = Record<string, [from: unknown, to: unknown]>;

interface Row {
  at: string;
  who: string | null;
  kind: ChangedKind;
  name: string;
  of: string;
  fields: string;
  reason: string | null;
  cursor: string;
}

/** After every moment. */
const LAST = '9999 z';

/** The differences between a record as it was and as it is. */
const differing = (before: object, after: object): Fields =>
  Object.fromEntries(
    Object.entries(after)
      .filter(([key]) => key !== 'version')
      .map(([key, to]) => [key, [(before as Record<string, unknown>)[key], to]] as const)
      .filter(([, [from, to]]) => !isDeepStrictEqual(from, to)),
  ) as Fields;

/** The name of a record. */
const nameOf = (it: object): string => {
  const { name, marking, label, id } = it as Record<string, unknown>;
  return String(name ?? marking ?? label ?? id);
};

/** The changes of records, rules and people: by whom, from what to what. */
export const changeStore = (db: Db) => {
  const insert = db.prepare(
    `INSERT INTO changes (at, who, kind, of, name, fields) VALUES (@at, @who, @kind, @of, @name, @fields)`,
  );
  // Rules are told by their own table; the key of a page is the moment with a number behind it that
  // no two share.
  const page = db.prepare<{ before: string; beforeAt: string; limit: number }, Row>(
    `SELECT * FROM (
       SELECT at, who, kind, name, of, fields, NULL AS reason, at || ' r' || printf('%012d', id) AS cursor
       FROM changes WHERE at <= @beforeAt AND at || ' r' || printf('%012d', id) < @before
       ORDER BY at DESC, id DESC LIMIT @limit)
     UNION ALL SELECT * FROM (
       SELECT changed_at, changed_by, 'rules', key, key, json_object('value', json_array(json(old_value), json(new_value))),
         reason, changed_at || ' q' || printf('%012d', id) AS cursor
       FROM rule_changes WHERE changed_at || ' q' || printf('%012d', id) < @before
       ORDER BY changed_at DESC, id DESC LIMIT @limit)
     ORDER BY cursor DESC LIMIT @limit`,
  );
  const rowsOf = ({ fields, cursor: _cursor, ...row }: Row): ShopChange[] => {
    const changed = Object.entries(JSON.parse(fields) as Fields);
    if (changed.length === 0) return [{ ...row, field: null, from: null, to: null }];
    return changed.map(([field, [from, to]]) => ({ ...row, field, from, to }));
  };
  const note = (
    kind: ChangedKind,
    of: string,
    name: string,
    fields: Fields,
    who = currentUser(),
  ): void => {
    // What the program does by itself follows from something that was noted.
    if (who === undefined) return;
    insert.run({
      at: new Date().toISOString(),
      who,
      kind,
      of,
      name,
      fields: JSON.stringify(fields),
    });
  };
  return {
    note,
    /**
     * Notes a record as it was (null where it is new) and as it is; nothing where nothing differs.
     */
    record(kind: ChangedKind, before: object | null, after: { id: string }): void {
      const fields = before === null ? {} : differing(before, after);
      if (before !== null && Object.keys(fields).length === 0) return;
      note(kind, after.id, nameOf(after), fields);
    },
    /** The newest first; `next` is the `before` of the page after, null on the last. */
    page(before = LAST, limit = 50): { changes: ShopChange[]; next: string | null } {
      const rows = page.all({ before, beforeAt: before.split(' ')[0]!, limit: limit + 1 });
      const shown = rows.slice(0, limit);
      return {
        changes: shown.flatMap(rowsOf),
        next: rows.length > limit ? shown.at(-1)!.cursor : null,
      };
    },
  };
};
export type ChangeStore = ReturnType<typeof changeStore>;
