import { howMany } from '../case-count';
import fc from 'fast-check';
import { WORKINGS } from '../../src/core/workings';
import { InputError } from '../../src/core/base/errors';
import { checkEntryBody, ENTRY_KINDS, STATIONS } from '../../src/core/job';
import { spoiled } from '../mutate-value';
import { note, testApp } from './test-app';

const nasty = fc.oneof(
  fc.constantFrom(
    null,
    true,
    '',
    ' ',
    '0',
    -1,
    1e308,
    -0,
    1e-320,
    '__proto__',
    '<script>',
    '\u0000',
    '150/70-17',
    [],
    {},
  ),
  fc.double(),
  fc.string({ maxLength: 60 }),
  fc.jsonValue({ maxDepth: 2 }),
);

describe.each(WORKINGS.map((w) => [w.name, w] as const))('%s under bad input', (_name, working) => {
  test('answers or refuses, and never with a number that is none', () => {
    fc.assert(
      fc.property(fc.nat(10_000), nasty, (path, by) => {
        const input = spoiled(working.example, path, by) as never;
        try {
          const { lines, result } = working.run(input);
          for (const line of lines)
            if (typeof line.value === 'number') expect(Number.isFinite(line.value)).toBe(true);
          expect(JSON.stringify(result)).toBeDefined();
        } catch (error) {
          if (!(error instanceof InputError)) throw error;
          expect(error.field.length).toBeLessThanOrEqual(60);
          expect(error.message && error.expected).toBeTruthy();
        }
      }),
      { numRuns: howMany(60, 300) },
    );
  });
});

test('an entry of any shape is taken clean or refused by the input error', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...ENTRY_KINDS),
      fc.constantFrom(...STATIONS),
      fc.jsonValue({ maxDepth: 3 }),
      (kind, station, data) => {
        try {
          checkEntryBody({ id: 'x', who: 'y', station, kind, data });
        } catch (error) {
          expect(error).toBeInstanceOf(InputError);
        }
      },
    ),
    { numRuns: howMany(120, 600) },
  );
});

describe('the server under bad input', () => {
  const { ask, db } = testApp();
  const size = () =>
    (
      db
        .prepare('SELECT (SELECT count(*) FROM entries) + (SELECT count(*) FROM jobs) AS n')
        .get() as { n: number }
    ).n;

  test('answers with its one shape, writes nothing and stays up', async () => {
    const before = size();
    const paths = [
      '/api/jobs',
      '/api/jobs/demo-job-1/entries',
      '/api/machines',
      '/api/stock/tires',
      '/api/workings/balance-place',
      '/api/people',
    ];
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...paths),
        fc.jsonValue({ maxDepth: 3 }),
        async (path, body) => {
          const { status, body: answer } = await ask
            .post(path)
            .set('content-type', 'application/json')
            .send(JSON.stringify(body));
          expect([400, 404, 422]).toContain(status);
          expect(Object.keys(answer.error).sort()).toEqual(['expected', 'field', 'message']);
        },
      ),
      { numRuns: howMany(30, 120) },
    );
    expect(size()).toBe(before);
    await ask.get('/api/health').expect(200);
  });

  test.each([
    '%00',
    '..%2f..%2fpackage.json',
    "x'; DROP TABLE jobs; --",
    'a'.repeat(500),
    '%E0%A4%A',
  ])('a job called %s is not found or refused', async (id) => {
    const { status } = await ask.get(`/api/jobs/${id}`);
    expect([400, 404, 422]).toContain(status);
  });

  test('words that look like markup are kept as words', async () => {
    const { job } = (await ask.get('/api/jobs/demo-job-22')).body;
    const text = '<img src=x onerror=alert(1)> "quoted" \u202Eright to left \u{1F6DE}';
    await ask
      .post('/api/jobs/demo-job-22/entries')
      .send({ expectedSeq: job.lastSeq, entries: [note(text)] })
      .expect(201);
    expect((await ask.get('/api/jobs/demo-job-22')).body.entries.at(-1).data.text).toBe(text);
    await ask.get('/api/jobs/demo-job-22/card.pdf').expect(200);
  });
});

test('JSON nested five thousand deep is refused in a sentence by every calculator and wherever else a body is read', async () => {
  const { ask } = testApp();
  const deep = '['.repeat(5000) + ']'.repeat(5000);
  for (const address of [
    ...WORKINGS.map((w) => `/api/workings/${w.name}`),
    '/api/jobs',
    '/api/machines',
    '/api/visits',
  ]) {
    const answer = await ask
      .post(address)
      .set('content-type', 'application/json')
      .send(`{"wheels":${deep}}`);
    expect([address, answer.status, answer.body.error?.field]).toEqual([address, 422, 'body']);
  }
});
