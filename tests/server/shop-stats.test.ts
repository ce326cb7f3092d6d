import { parse } from 'csv-parse/sync';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MIGRATIONS_DIR } from '../../src/server/paths';
import { note, testApp } from './test-app';

const { ask, db } = testApp();
const readMigration = () => readFileSync(join(MIGRATIONS_DIR, '011_fitted_weights.sql'), 'utf8');
const all = async (query = '') => (await ask.get(`/api/knows${query}`).expect(200)).body;

test('counts the jobs of a time, and nothing outside it', async () => {
  const whole = await all();
  expect(whole.stations.map((s: { station: string }) => s.station)).toContain('balance');
  const share = whole.stations.reduce((n: number, s: { sharePct: number }) => n + s.sharePct, 0);
  expect(share).toBeCloseTo(100, 6);
  const weighed = whole.weights.reduce((n: number, w: { jobs: number }) => n + w.jobs, 0);
  const { n } = db.prepare('SELECT count(*) AS n FROM fitted_weights').get() as { n: number };
  expect(weighed).toBe(n);
  expect(n).toBeGreaterThan(10);
  const day = (
    db.prepare('SELECT max(opened_at) AS at FROM jobs WHERE handed_over = 1').get() as {
      at: string;
    }
  ).at;
  const last = await all(`?from=${day.slice(0, 10)}&to=${day.slice(0, 10)}`);
  expect(last.stations.every((s: { jobs: number }) => s.jobs === 1)).toBe(true);
  expect(await all('?from=1999-01-01&to=1999-12-31')).toMatchObject({
    stations: [],
    weights: [],
    troubles: [],
  });
  for (const bad of ['?from=x', '?to=2026-02-30']) await ask.get(`/api/knows${bad}`).expect(422);
});

test('a job that is not handed over any more has left nothing', async () => {
  const { n: before } = db.prepare('SELECT count(*) AS n FROM fitted_weights').get() as {
    n: number;
  };
  const { id } = db.prepare('SELECT job_id AS id FROM fitted_weights LIMIT 1').get() as {
    id: string;
  };
  const { job, entries } = (await ask.get(`/api/jobs/${id}`)).body;
  const over = entries.findLast((e: { kind: string }) => e.kind === 'handed-over');
  const undo = { ...note(''), kind: 'undo', data: { entryId: over.id } };
  await ask
    .post(`/api/jobs/${id}/entries`)
    .send({ expectedSeq: job.lastSeq, entries: [undo] })
    .expect(201);
  expect((db.prepare('SELECT count(*) AS n FROM fitted_weights').get() as { n: number }).n).toBe(
    before - 1,
  );
});

test('what an earlier program left on the rims is worked out from its logs', () => {
  const kept = db.prepare('SELECT * FROM fitted_weights ORDER BY job_id').all();
  db.exec('DELETE FROM fitted_weights');
  const sql = readMigration();
  db.exec(/INSERT INTO fitted_weights[^;]*;/.exec(sql)![0]);
  expect(db.prepare('SELECT * FROM fitted_weights ORDER BY job_id').all()).toEqual(kept);
});

test('each part as CSV', async () => {
  for (const part of ['stations', 'weights', 'troubles', 'takeOffs']) {
    const { text, headers } = await ask.get(`/api/knows/${part}.csv`).expect(200);
    expect(headers['content-type']).toMatch(/text\/csv/);
    expect(parse(text, { columns: true })).toHaveLength((await all())[part].length);
  }
  await ask.get('/api/knows/people.csv').expect(404);
});
