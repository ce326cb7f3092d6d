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

/** Pages of visits, the newest first, by words and parts of words. */
export const visitPages = <Row>(db: Db, columns: string) => {
  const prepare = (found: string | null) =>
    db.prepare<unknown[], Row>(
      `SELECT ${columns} FROM visits
       WHERE handed_over = @handedOver AND (opened_at, id) < (@openedAt, @id)
         ${found ? `AND id IN (SELECT id FROM visit_texts WHERE n IN (${found}))` : ''}
       ORDER BY opened_at DESC, id DESC LIMIT @limit`,
    );
  const prepared = new Map<string | null, ReturnType<typeof prepare>>();
  return ({ handedOver, search, from, limit }: PageQuery): Row[] => {
    const words = findWords(search);
    const found = rowsWith('visit', words);
    const statement = prepared.get(found) ?? prepare(found);
    prepared.set(found, statement);
    return statement.all({ handedOver: handedOver ? 1 : 0, ...from, limit, ...boundWords(words) });
  };
};
