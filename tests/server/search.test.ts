import fc from 'fast-check';
import { jobSearch, FIRST, LAST } from '../../src/server/db/job-search';
import { FROM_NEWEST, visitPages } from '../../src/server/db/visit-pages';
import { note, testApp } from './test-app';

describe('searching the jobs', () => {
  const { db, ask } = testApp();
  const all = () =>
    db
      .prepare('SELECT id, number, search, opened_at AS openedAt FROM jobs ORDER BY number DESC')
      .all() as { id: string; number: number; search: string; openedAt: string }[];
  const find = jobSearch<{ id: string }>(db, 'jobs.id');
  const text = all()
    .map((j) => j.search)
    .join(' ');

  test('any words and parts of words, in any case, find what looking at every job finds, in its order', () => {
    const part = fc
      .tuple(fc.nat(text.length - 1), fc.integer({ min: 1, max: 9 }))
      .map(([from, n]) => text.slice(from, from + n));
    const anything = fc.string({ maxLength: 8 });
    const days = fc.constantFrom(
      [FIRST, LAST],
      ['2026-01-01', LAST],
      [FIRST, '2026-02-01'],
      ['2025-12-01', '2026-03-01'],
    );
    fc.assert(
      fc.property(
        fc.array(fc.oneof(part, part, anything), { maxLength: 4 }),
        fc.boolean(),
        days,
        fc.nat(5),
        (parts, loud, [from, to], skip) => {
          const search = loud ? parts.join(' ').toUpperCase() : parts.join(' ');
          const words = search.toLowerCase().split(/\s+/).filter(Boolean);
          const expected = all().filter(
            (j) =>
              words.every((w) => j.search.includes(w)) && j.openedAt >= from! && j.openedAt < to!,
          );
          const found = find({ search, from: from!, to: to! }, 7, skip);
          expect(found.rows.map((r) => r.id)).toEqual(
            expected.slice(skip, skip + 7).map((j) => j.id),
          );
          expect(found.total).toBe(expected.length);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('visits likewise, also once they say something else', async () => {
    const page = visitPages<{ id: string }>(db, 'visits.id');
    const looked = (search: string) =>
      db
        .prepare<[string], string>(
          `SELECT id FROM visits WHERE handed_over = 0
             AND NOT EXISTS (SELECT 1 FROM json_each(?) WHERE instr(search, value) = 0) ORDER BY opened_at DESC, id DESC`,
        )
        .pluck()
        .all(JSON.stringify(search.split(/\s+/).filter(Boolean)));
    const found = (search: string) =>
      page({ handedOver: false, search, from: FROM_NEWEST, limit: 100 }).map((v) => v.id);
    const words = looked('').map(
      (id) => db.prepare('SELECT search FROM visits WHERE id = ?').pluck().get(id) as string,
    );
    const parts = words.flatMap((w) => [
      w.slice(0, 2),
      w.slice(3, 4),
      w.slice(1, 6),
      `${w.slice(0, 4)} ${w.slice(-2)}`,
    ]);
    for (const search of [...parts, 'q', 'zz', 'nowhere'])
      expect([search, found(search)]).toEqual([search, looked(search)]);
    const [id] = looked('');
    const { lastSeq } = (await ask.get(`/api/visits/${id}`)).body.visit;
    const wanted = {
      id: 'quoxly',
      who: 'Juna Birk',
      kind: 'wanted',
      data: { text: 'a quoxly valve' },
    };
    await ask
      .post(`/api/visits/${id}/entries`)
      .send({ expectedSeq: lastSeq, entries: [wanted] })
      .expect(201);
    expect(['quox', 'ox'].map(found)).toEqual([[id], looked('ox')]);
    expect(looked('ox')).toContain(id);
  });

  test.each([
    '"',
    '""',
    "'",
    '*',
    'a OR b',
    'NEAR(a b)',
    '-',
    '%',
    '(',
    'search:',
    '😀😀😀',
    'rin^',
  ])('what a search engine takes for a command is a word: %j', async (search) => {
    await ask.get('/api/jobs').query({ search, limit: 5 }).expect(200);
  });

  test('what a job says of itself is found as soon as it says it, and no more once it does not', async () => {
    const hits = async (search: string) =>
      (await ask.get('/api/jobs').query({ search })).body.total as number;
    const { lastSeq } = (await ask.get('/api/jobs/demo-job-21')).body.job;
    expect(await hits('77/77')).toBe(0);
    const chosen = {
      marking: '77/77-21',
      dateCode: null,
      tireId: null,
      tube: true,
      tubeId: null,
      tubeLabel: null,
      lightMark: true,
      seatLimitKpa: null,
    };
    const entry = { ...note('x'), kind: 'chosen', data: chosen };
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: lastSeq, entries: [entry] })
      .expect(201);
    expect(await hits('77/77')).toBe(1);
    const undo = { ...note('x'), kind: 'undo', data: { entryId: entry.id } };
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: lastSeq + 1, entries: [undo] })
      .expect(201);
    expect(await hits('77/77')).toBe(0);
  });
});

describe('what is kept of all jobs as they change', () => {
  const { db, ask } = testApp();
  /** As it was counted before: every entry of every log looked at. */
  const counted = () =>
    db
      .prepare(
        `SELECT data ->> 'symptom' AS symptom, data ->> 'curedBy' AS "check", count(*) AS count FROM entries
         WHERE kind = 'trouble' AND data ->> 'curedBy' IS NOT NULL
           AND id NOT IN (SELECT data ->> 'entryId' FROM entries WHERE kind = 'undo') GROUP BY 1, 2 ORDER BY 1, 2`,
      )
      .all();
  const cures = async () => (await ask.get('/api/shop')).body.cures;

  test('cures are what counting them all would say, also after an undo', async () => {
    expect(await cures()).toEqual(counted());
    const { lastSeq } = (await ask.get('/api/jobs/demo-job-21')).body.job;
    const url = '/api/jobs/demo-job-21/entries';
    const trouble = (curedBy: string | null) => ({
      ...note('x'),
      kind: 'trouble',
      data: { symptom: 'not-seating', curedBy },
    });
    const [cured, open] = [trouble('again'), trouble(null)];
    await ask
      .post(url)
      .send({ expectedSeq: lastSeq, entries: [cured, open] })
      .expect(201);
    const after = await cures();
    expect(after).toEqual(counted());
    const undo = { ...note('x'), kind: 'undo', data: { entryId: cured.id } };
    await ask
      .post(url)
      .send({ expectedSeq: lastSeq + 2, entries: [undo] })
      .expect(201);
    expect(await cures()).toEqual(counted());
    expect(await cures()).not.toEqual(after);
  });

  test('usual times are those of the latest jobs that were handed over', async () => {
    const { usualTimes } = (await ask.get('/api/shop')).body as {
      usualTimes: { station: string; build: string; jobs: number }[];
    };
    const jobs = db
      .prepare(
        `SELECT t.station, t.build, count(*) AS jobs FROM station_times t JOIN jobs j ON j.id = t.job_id
         WHERE j.handed_over = 1 GROUP BY 1, 2 HAVING count(*) >= 3`,
      )
      .all();
    const said = usualTimes.map(({ station, build, jobs: n }) => ({ station, build, jobs: n }));
    expect(said).toHaveLength(jobs.length);
    expect(said).toEqual(expect.arrayContaining(jobs));
  });
});
