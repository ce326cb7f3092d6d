import type { Entry, EntryData, EntryKind } from './entries';
import type { JobSummary } from './job-summary';
import { wheelHistory } from './wheel-history';

const entry = <K extends EntryKind>(kind: K, data: Partial<EntryData[K]>, seq: number) => {
  const at = '2026-05-04T08:00:00.000Z';
  return {
    id: `${kind}-${seq}`,
    seq,
    who: 'Juna Birk',
    at,
    station: 'intake',
    kind,
    data,
  } as unknown as Entry;
};

/** A job that read the odometer, took a tire off and put one on. */
const job = (n: number, km: number | null, isFitted = true) => ({
  job: { id: `j-${n}`, number: n, openedAt: `2026-0${n}-04T08:00:00.000Z` } as JobSummary,
  entries: [
    ...(km === null ? [] : [entry('odometer', { km }, 1)]),
    entry('came-off', { marking: '110/90-19', treadMm: 2.1 }, 2),
    ...(isFitted ? [entry('chosen', { marking: '110/90-19', tube: false }, 3)] : []),
  ],
});
const lifeOf = (...jobs: ReturnType<typeof job>[]) =>
  wheelHistory(jobs).life.map((e) => e.facts.map((f) => f.says));

test('a tire ran what the odometer says since the job that put it on', () => {
  const [now, before] = lifeOf(job(5, 12_480), job(3, 9_100));
  expect(now!.slice(0, 2)).toEqual([
    '12480 km on the odometer',
    '110/90-19 off, 2.1 mm of tread left, after 3380 km',
  ]);
  expect(before!.slice(0, 2)).toEqual([
    '9100 km on the odometer',
    '110/90-19 off, 2.1 mm of tread left',
  ]);
});

test.each([
  ['the odometer was not read now', [job(5, null), job(3, 9_100)]],
  ['nor then', [job(5, 12_480), job(3, null)]],
  ['it runs backwards: another one was put in', [job(5, 40), job(3, 9_100)]],
  ['nothing was put on then', [job(5, 12_480), job(3, 9_100, false)]],
])('nothing is said of the distance where %s', (_why, jobs) => {
  expect(lifeOf(...jobs)[0]!.join()).not.toMatch(/after/);
});
