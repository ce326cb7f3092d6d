import {
  fieldsOfKind,
  RECORD_KINDS,
  toCell,
  type RecordKind,
  type Records,
} from '../../core/shop/records';
import { parseMarking } from '../../core/fit/tires';
import type { Db } from './open-db';

type AnyRecord = Records[RecordKind] & Record<string, unknown>;

/** Each field as it is read, with the words of choices; without the name of a wheel's machine. */
const wordsOf = (kind: RecordKind, it: AnyRecord): string =>
  fieldsOfKind(kind)
    .flatMap((field) => {
      if (field.form.as === 'machine') return [];
      const cell = toCell(field, it[field.key]);
      const words = field.form.as === 'choice' ? field.form.words?.[cell] : undefined;
      return words ? [cell, words] : [cell];
    })
    .filter(Boolean)
    .join(' ');

const rimOf = (kind: RecordKind, it: AnyRecord): number | null =>
  kind === 'tires' ? parseMarking(String(it.marking)).rimDiameterIn : null;

/** Keeps the words by which records are found, as they change. */
export const recordWords = (
  db: Db,
  records: { list<K extends RecordKind>(kind: K): Records[K][] },
) => {
  const put = db.prepare(
    `INSERT INTO record_texts (kind, id, text, rim_in) VALUES (@kind, @id, @text, @rimIn)
     ON CONFLICT (kind, id) DO UPDATE SET text = excluded.text, rim_in = excluded.rim_in`,
  );
  const machine = db.prepare<[string], { name: string; rider: string }>(
    'SELECT name, rider FROM machines WHERE id = ?',
  );
  const isEmpty = db.prepare<[], { empty: number }>(
    'SELECT NOT EXISTS (SELECT 1 FROM record_texts) AS empty',
  );

  const settle = (kind: RecordKind, record: Records[RecordKind]): void => {
    const it = record as AnyRecord;
    const of = kind === 'wheels' ? machine.get(String(it.machineId)) : undefined;
    const text = [of?.name, of?.rider, wordsOf(kind, it)].filter(Boolean).join(' ').toLowerCase();
    put.run({ kind, id: it.id, text, rimIn: rimOf(kind, it) });
  };
  return {
    /** After a record was added or changed; the wheels of a machine go by its new name. */
    settle(
      kind: RecordKind,
      it: Records[RecordKind],
      wheelsOf: (machineId: string) => Records['wheels'][],
    ): void {
      settle(kind, it);
      if (kind === 'machines') for (const wheel of wheelsOf(it.id)) settle('wheels', wheel);
    },
    /** For a database of an earlier program, which kept no words. */
    settleAll: db.transaction((): void => {
      if (isEmpty.get()!.empty === 0) return;
      for (const kind of RECORD_KINDS) for (const it of records.list(kind)) settle(kind, it);
    }),
  };
};
