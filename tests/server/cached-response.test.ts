import Database from 'better-sqlite3';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cachedResponse } from '../../src/server/cached-response';
import { testApp } from './test-app';

test('it is made anew once something was written, here or by another program, and only then', () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-'));
  const [db, other] = [1, 2].map(() => new Database(join(dir, 'x.sqlite'))) as [
    Database.Database,
    Database.Database,
  ];
  try {
    db.exec('CREATE TABLE t (n INTEGER)');
    let made = 0;
    const answer = cachedResponse(db, () => {
      made++;
      return { sum: db.prepare('SELECT coalesce(sum(n), 0) FROM t').pluck().get() };
    });
    expect([answer(), answer(), made]).toEqual(['{"sum":0}', '{"sum":0}', 1]);
    db.exec('INSERT INTO t VALUES (3)');
    expect([answer(), answer(), made]).toEqual(['{"sum":3}', '{"sum":3}', 2]);
    other.exec('INSERT INTO t VALUES (4)');
    expect([answer(), made]).toEqual(['{"sum":7}', 3]);
    db.exec('UPDATE t SET n = 5 WHERE n = 4');
    db.exec('DELETE FROM t WHERE n = 3');
    expect([answer(), made]).toEqual(['{"sum":5}', 4]);
    // What is taken back was never there.
    expect(() =>
      db.transaction(() => {
        db.exec('INSERT INTO t VALUES (9)');
        throw new Error('no');
      })(),
    ).toThrow('no');
    expect(answer()).toBe('{"sum":5}');
  } finally {
    for (const one of [db, other]) one.close();
    rmSync(dir, { recursive: true });
  }
});

test('the shop says the same as before under the same mark, and another one once somebody new works there', async () => {
  const { ask } = testApp();
  const first = await ask
    .get('/api/shop')
    .expect(200)
    .expect('content-type', /^application\/json/);
  await ask.get('/api/shop').set('if-none-match', first.headers.etag!).expect(304);
  await ask.post('/api/people').send({ name: 'Ada Marl' }).expect(201);
  const { body } = await ask.get('/api/shop').set('if-none-match', first.headers.etag!).expect(200);
  expect(body.people).toEqual(['Ada Marl', ...first.body.people]);
});
