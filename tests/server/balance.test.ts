import { balanceQuestion, foldJob } from '../../src/core/job';
import { DESPITE, testApp } from './test-app';

describe('the balance stand', () => {
  test('what was seen of the last wheels, each with at least three readings', async () => {
    const { ask } = testApp();
    const { body } = await ask.get('/api/stand-wheels').expect(200);
    expect(body.wheels.length).toBeGreaterThanOrEqual(10);
    for (const { seen } of body.wheels) expect(seen.length).toBeGreaterThanOrEqual(3);
    const { body: working } = await ask
      .post('/api/workings/stand-band')
      .send({ wheels: body.wheels })
      .expect(200);
    // The demo shop's stand hides 2.5 g.
    expect(Math.abs(working.result.bandG - 2.5)).toBeLessThan(1);
    expect((await testApp({ empty: true }).ask.get('/api/stand-wheels')).body).toEqual({
      wheels: [],
    });
  });

  test('a whole balancing is written, read back, and answered by the same workings', async () => {
    const { ask } = testApp();
    const { body } = await ask.get('/api/jobs/demo-job-21').expect(200);
    const question = balanceQuestion(foldJob(body.entries), [])!;
    const { body: estimate } = await ask
      .post('/api/workings/balance-estimate')
      .send({ seen: question.seen, on: question.on })
      .expect(200);
    expect(estimate.result.heavyMassG).toBeGreaterThan(10);
    const wrong = await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({
        expectedSeq: body.job.lastSeq,
        entries: [
          {
            id: 'b1',
            who: 'Juna Birk',
            station: 'balance',
            kind: 'level-test',
            data: { deg: 400, moved: 'stays' },
          },
        ],
      })
      .expect(422);
    expect(wrong.body.error.field).toBe('entries[0].data.deg');
  });
});

describe('weights on the rim', () => {
  test('leave the shelf with the job, by their kind, and come back when it is undone', async () => {
    const { ask, db } = testApp();
    const count = async (id: string) =>
      (await ask.get('/api/shop')).body.weights.find((w: { id: string }) => w.id === id)
        .count as number;
    const { body } = await ask.get('/api/jobs/demo-job-21').expect(200);
    const entry = (kind: string, data: object, station = 'balance') => ({
      id: `w-${kind}`,
      who: 'Juna Birk',
      station,
      kind,
      data,
    });
    const [before, stuck] = [await count('g-3'), await count('g-5')];
    // Two crimp-on pieces of 20 g for a spoked wheel, and one of a mass that the shelf does not
    // have.
    const pieces = [
      { massG: 20, deg: 25, side: 'near' },
      { massG: 20, deg: 25, side: 'far' },
      { massG: 13, deg: 35, side: 'near' },
    ];
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({
        expectedSeq: body.job.lastSeq,
        entries: [
          entry('weights', { pieces, residualG: 1 }),
          entry('handed-over', { to: 'Ned Ash', despite: DESPITE }, 'hand-over'),
        ],
      })
      .expect(201);
    expect([await count('g-3'), await count('g-5')]).toEqual([before - 2, stuck]);
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({
        expectedSeq: body.job.lastSeq + 2,
        entries: [entry('undo', { entryId: 'w-handed-over' }, 'hand-over')],
      })
      .expect(201);
    expect(await count('g-3')).toBe(before);
    // A shelf that was miscounted gives what it has, never less than nothing, and gets no more than
    // that back.
    db.prepare("UPDATE weights SET count = 1 WHERE id = 'g-3'").run();
    const again = {
      ...entry('handed-over', { to: 'Ned Ash', despite: DESPITE }, 'hand-over'),
      id: 'w-again',
    };
    const send = (seq: number, sent: object) =>
      ask
        .post('/api/jobs/demo-job-21/entries')
        .send({ expectedSeq: seq, entries: [sent] })
        .expect(201);
    await send(body.job.lastSeq + 3, again);
    expect(await count('g-3')).toBe(0);
    await send(body.job.lastSeq + 4, {
      ...entry('undo', { entryId: 'w-again' }, 'hand-over'),
      id: 'w-undo-again',
    });
    expect(await count('g-3')).toBe(1);
  });
});
