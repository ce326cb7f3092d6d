import { DESPITE, testApp } from './test-app';

const append = async (
  ask: ReturnType<typeof testApp>['ask'],
  id: string,
  kind: string,
  data: object,
  station = 'hand-over',
) => {
  const { job } = (await ask.get(`/api/jobs/${id}`)).body;
  return ask
    .post(`/api/jobs/${id}/entries`)
    .send({
      expectedSeq: job.lastSeq,
      entries: [{ id: `${kind}-${job.lastSeq}`, who: 'Juna Birk', station, kind, data }],
    });
};

test('what is usual comes from handed-over jobs, by station and build, and not from fewer than three', async () => {
  const { ask, db } = testApp();
  const { usualTimes } = (await ask.get('/api/shop')).body;
  const counted = db
    .prepare(
      "SELECT count(*) AS n FROM jobs j JOIN wheels w ON w.id = j.wheel_id WHERE j.handed_over = 1 AND w.build = 'spoked'",
    )
    .get() as { n: number };
  const usual = usualTimes.find(
    (t: { station: string; build: string }) => t.station === 'tire-off' && t.build === 'spoked',
  );
  expect(usual.jobs).toBe(counted.n);
  expect(usual.medianS).toBeGreaterThan(60);
  const jobsOf = async (build: string) =>
    (
      (await ask.get('/api/shop')).body.usualTimes as {
        station: string;
        build: string;
        jobs: number;
      }[]
    ).find((t) => t.station === 'tire-off' && t.build === build)?.jobs;
  // A job counts from its hand-over on, and no more once that is undone.
  const cast = (await jobsOf('cast'))!;
  const handed = await append(ask, 'demo-job-22', 'handed-over', { to: 'Ned', despite: DESPITE });
  expect(await jobsOf('cast')).toBe(cast + 1);
  await append(ask, 'demo-job-22', 'undo', { entryId: handed.body.entries[0].id });
  expect(await jobsOf('cast')).toBe(cast);
  db.prepare('UPDATE station_times SET number = NULL').run();
  expect((await ask.get('/api/shop')).body.usualTimes).toEqual([]);
  // Two jobs are no habit; a third makes one.
  const handOver = db.prepare(
    `UPDATE station_times SET number = (SELECT number FROM jobs WHERE id = job_id) WHERE job_id IN (
       SELECT job_id FROM station_times t JOIN wheels w ON w.id = (SELECT wheel_id FROM jobs WHERE id = t.job_id)
       WHERE t.station = 'tire-off' AND w.build = 'spoked' ORDER BY job_id LIMIT ?)`,
  );
  const jobsBehind = async (many: number): Promise<number | undefined> => {
    handOver.run(many);
    return jobsOf('spoked');
  };
  expect(await jobsBehind(2)).toBeUndefined();
  expect(await jobsBehind(3)).toBe(3);
});

test('a rim that was measured stays with the wheel once the job is handed over, and goes with the hand-over undone', async () => {
  const { ask } = testApp();
  const wheel = async () => (await ask.get('/api/records/wheels/w-vellan-r')).body;
  const shape = { flangeMm: 452, wellMm: 398, wellToFlangeMm: 60 };
  await append(ask, 'demo-job-22', 'rim-shape', shape, 'tire-on').then((r) =>
    expect(r.status).toBe(201),
  );
  expect((await wheel()).wellMm).toBeNull();
  const handed = await append(ask, 'demo-job-22', 'handed-over', { to: 'Ned', despite: DESPITE });
  expect(await wheel()).toMatchObject(shape);
  await append(ask, 'demo-job-22', 'undo', { entryId: handed.body.entries[0].id });
  expect((await wheel()).wellMm).toBeNull();
});

test('a well deeper than it can be is refused by its field', async () => {
  const { ask } = testApp();
  const answer = await append(
    ask,
    'demo-job-22',
    'rim-shape',
    { flangeMm: 452, wellMm: 9, wellToFlangeMm: 60 },
    'tire-on',
  );
  expect([answer.status, answer.body.error.field]).toEqual([422, 'entries[0].data.wellMm']);
});

test('the whole procedure of a wheel is served as a working', async () => {
  const { ask } = testApp();
  const { example } = (await ask.get('/api/workings')).body.workings.find(
    (w: { name: string }) => w.name === 'procedure',
  );
  const { body } = await ask.post('/api/workings/procedure').send(example).expect(200);
  expect(body.result.steps[0]).toMatchObject({
    id: 'off-cool',
    station: 'wheel-off',
    say: 'Let the exhaust cool.',
  });
  expect(body.cautions).toContain('Never with the disc underneath.');
});
