import { FROM_NEWEST, visitPages } from '../../src/server/db/visit-pages';
import { testApp } from './test-app';

describe('pages of visits by words', () => {
  const { db } = testApp();
  const lookedUp = visitPages<{ id: string; openedAt: string; search: string }>(
    db,
    'id, opened_at AS openedAt, search',
    10_000,
  );
  const streamed = visitPages<{ id: string; openedAt: string; search: string }>(
    db,
    'id, opened_at AS openedAt, search',
    1,
  );
  const asked = ['', 'orrin', 'ORRIN front', 'o', 'rr in', '90/90', 'nobody at all', '%', "'", 'é'];

  test('whether words are frequent or rare, the same visits in the same order', () => {
    let found = 0;
    for (const search of asked)
      for (const handedOver of [true, false]) {
        const query = { handedOver, search, from: FROM_NEWEST, limit: 100 };
        const rows = lookedUp(query);
        expect([search, streamed(query)]).toEqual([search, rows]);
        for (const row of rows)
          for (const word of search.toLowerCase().split(' ')) expect(row.search).toContain(word);
        found += rows.length;
        const [first, ...others] = rows;
        if (!first) continue;
        const after = { ...query, from: { openedAt: first.openedAt, id: first.id } };
        expect([lookedUp(after), streamed(after)]).toEqual([others, others]);
        expect(streamed({ ...query, limit: 1 })).toEqual([first]);
      }
    expect(found).toBeGreaterThan(40);
  });
});
