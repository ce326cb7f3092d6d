import { boundWords, findWords, rowsWith } from './find-words';
import type { Db } from './open-db';

/** From where a page of visits goes on: before the first of all. */
export const FROM_NEWEST = { openedAt: '9999', id: '' };

interface PageQuery {
  handedOver: boolean;
  search: string;
  from: { openedAt: string; id: string };
  limit: number;
}

/**
 * Words that are in so many visits are soon come by from the newest on; those that are in fewer are
 * looked up.
 */
const MANY = 2000;

/**
 * Pages of visits, the newest first, by words and parts of words; words that `many` visits have are
 * frequent.
 */
export const visitPages = <Row>(db: Db, columns: string, many = MANY) => {
  const prepare = (found: string | null, words: number) => {
    const list = (which: string) =>
      db.prepare<unknown[], Row>(
        `SELECT ${columns} FROM visits
         WHERE handed_over = @handedOver AND (opened_at, id) < (@openedAt, @id) ${which}
         ORDER BY opened_at DESC, id DESC LIMIT @limit`,
      );
    const each = Array.from({ length: words }, (_, i) => `AND instr(search, @word${i}) > 0`);
    return {
      fewest: list(found ? `AND id IN (SELECT id FROM visit_texts WHERE n IN (${found}))` : ''),
      newest: list(each.join(' ')),
      isIn:
        found &&
        db.prepare<unknown[], number>(`SELECT count(*) FROM (${found} LIMIT ${many})`).pluck(),
    };
  };
  const prepared = new Map<string, ReturnType<typeof prepare>>();
  return ({ handedOver, search, from, limit }: PageQuery): Row[] => {
    const asked = findWords(search);
    const { words } = asked;
    const found = rowsWith('visit', asked);
    const key = `${words.length} ${found}`;
    const statements = prepared.get(key) ?? prepare(found, words.length);
    prepared.set(key, statements);
    const bind = { handedOver: handedOver ? 1 : 0, ...from, limit };
    const bound = boundWords(asked);
    const isFrequent = statements.isIn ? statements.isIn.get(bound)! >= many : false;
    if (!isFrequent) return statements.fewest.all({ ...bind, ...bound });
    return statements.newest.all({
      ...bind,
      ...Object.fromEntries(words.map((word, i) => [`word${i}`, word])),
    });
  };
};
