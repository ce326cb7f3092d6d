import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import { isDeepStrictEqual } from 'node:util';
import type { AddressInfo } from 'node:net';
import fc from 'fast-check';
import { newsTogether, type LiveNews } from '../../src/core/base/live';
import { EventEmitter } from 'node:events';
import type { Request, Response } from 'express';
import { eventStream, MAX_STREAMS_OF_ADDRESS } from '../../src/server/live/event-stream';
import { liveHub } from '../../src/server/live/live-hub';
import { note, testApp } from './test-app';

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('who is where', () => {
  const hub = (at = { ms: 0 }) => ({ at, hub: liveHub(() => at.ms) });

  test('each is told of the others at the job, once each, never of themselves', () => {
    const { hub: it } = hub();
    expect(it.at('a', 'Juna', 'j1')).toEqual([]);
    expect(it.at('b', 'Osk', 'j1')).toEqual(['Juna']);
    expect(it.at('c', 'Osk', 'j1')).toEqual(['Juna']);
    expect(it.at('d', 'Wil', 'j2')).toEqual([]);
    expect(it.at('a', 'Juna', 'j1')).toEqual(['Osk']);
    expect(it.at('b', 'Osk', null)).toEqual([]);
    expect(it.at('c', 'Osk', 'j2')).toEqual(['Wil']);
    expect(it.at('a', 'Juna', 'j1')).toEqual([]);
  });

  test('who says nothing any more has gone', () => {
    const { at, hub: it } = hub();
    it.at('a', 'Juna', 'j1');
    at.ms = 29_999;
    expect(it.at('b', 'Osk', 'j1')).toEqual(['Juna']);
    at.ms = 30_001;
    expect(it.at('b', 'Osk', 'j1')).toEqual([]);
  });

  test('those around hear of it when somebody comes, goes or changes, and of nothing in between', async () => {
    const { hub: it } = hub();
    const heard: LiveNews[] = [];
    it.listen({ hear: (n) => heard.push(n), end: () => undefined });
    it.at('a', 'Juna', 'j1');
    it.at('a', 'Juna', 'j2');
    await sleep(80);
    expect(heard).toEqual([{ around: ['j1', 'j2'] }]);
    it.at('a', 'Juna', 'j2');
    await sleep(80);
    expect(heard).toHaveLength(1);
    it.at('a', 'Osk', 'j2');
    it.at('a', 'Osk', null);
    await sleep(80);
    expect(heard.at(-1)).toEqual({ around: ['j2'] });
  });
});

test('news together hold all that either holds, the newest number of each log', () => {
  const news = fc.record(
    {
      jobs: fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.nat(99)),
      day: fc.constant(true as const),
      shop: fc.constant(true as const),
      around: fc.array(fc.constantFrom('a', 'b', 'c')),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(news, news, (a, b) => {
      const both = newsTogether(a, b);
      expect([both.day, both.shop]).toEqual([a.day ?? b.day, a.shop ?? b.shop]);
      expect(both.jobs).toEqual(a.jobs || b.jobs ? { ...a.jobs, ...b.jobs } : undefined);
      expect(new Set(both.around)).toEqual(new Set([...(a.around ?? []), ...(b.around ?? [])]));
    }),
  );
});

describe('the stream of the shop', () => {
  const { app, ask } = testApp();
  let server: Server;
  let port = 0;
  const streams: IncomingMessage[] = [];
  beforeAll(async () => {
    server = createServer(app).listen(0);
    await new Promise((resolve) => server.once('listening', resolve));
    ({ port } = server.address() as AddressInfo);
  });
  afterEach(() => streams.splice(0).forEach((s) => s.destroy()));
  afterAll(() => new Promise((resolve) => server.close(resolve)));
  const listen = (path = '/api/live'): Promise<IncomingMessage> =>
    new Promise((resolve, reject) =>
      get({ port, path, host: '127.0.0.1' }, (res) => {
        streams.push(res);
        resolve(res);
      }).once('error', reject),
    );
  const heard = async () => {
    const stream = await listen();
    const news: LiveNews[] = [];
    stream.on('data', (chunk: Buffer) => {
      for (const line of chunk.toString().split('\n'))
        if (line.startsWith('data: ')) news.push(JSON.parse(line.slice(6)));
    });
    return news;
  };
  /**
   * Waits until this was told of since the last look, in one piece or several, and nothing else.
   */
  const expectNews = async (news: LiveNews[], expected: LiveNews) => {
    const told = () => news.reduce(newsTogether, {});
    for (let i = 0; i < 100 && !isDeepStrictEqual(told(), expected); i++) await sleep(50);
    // What comes after it would be something else.
    await sleep(100);
    expect(told()).toEqual(expected);
    news.length = 0;
  };

  test('tells which log has grown, and the other wheel’s that grew with it; a refused write is no news', async () => {
    const news = await heard();
    const seq = async (id: string) => (await ask.get(`/api/jobs/${id}`)).body.job.lastSeq as number;
    const before = await seq('demo-job-21');
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: before, entries: [note('x')] })
      .expect(201);
    await expectNews(news, { jobs: { 'demo-job-21': before + 1 }, day: true });
    await ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: 1, entries: [note('x')] })
      .expect(409);
    await ask.post('/api/workings/tire-size').send({ marking: '110/90-19' }).expect(200);
    await expectNews(news, {});

    const wheels = ['one', 'two'].map((jobId, i) => ({
      jobId,
      wheelId: ['w-orrin-f', 'w-orrin-r'][i],
    }));
    const visit = {
      id: 'both',
      machineId: 'm-orrin',
      wheels,
      who: 'Juna Birk',
      wanted: null,
      dueAt: null,
    };
    await ask.post('/api/visits').send(visit).expect(201);
    await expectNews(news, { day: true });
    const odometer = { ...note('x'), kind: 'odometer', data: { km: 12_000 } };
    await ask
      .post('/api/jobs/one/entries')
      .send({ expectedSeq: await seq('one'), entries: [odometer] })
      .expect(201);
    await expectNews(news, { jobs: { one: await seq('one'), two: await seq('two') }, day: true });
  });

  test('tells of records, people and rules, and of the day', async () => {
    const news = await heard();
    await ask.post('/api/people').send({ name: 'Ines Varo' }).expect(201);
    await expectNews(news, { shop: true });
    const [tire] = (await ask.get('/api/records/tires')).body.records;
    await ask
      .put(`/api/records/tires/${tire.id}`)
      .send({ ...tire, note: 'seen' })
      .expect(200);
    await expectNews(news, { shop: true });
    const here = await ask
      .put('/api/live/here')
      .send({ tab: 't1', who: 'Osk Tarrow', jobId: 'demo-job-21' })
      .expect(200);
    expect(here.body).toEqual({ others: [] });
    await expectNews(news, { around: ['demo-job-21'] });
    await ask.put('/api/live/here').send({ tab: 't1', who: '', jobId: 'demo-job-21' }).expect(422);
  });

  test('an address has so many streams and no more, and one that is left is free again', async () => {
    await Promise.all(Array.from({ length: MAX_STREAMS_OF_ADDRESS }, () => listen()));
    const refused = await listen();
    expect(refused.statusCode).toBe(503);
    expect(refused.headers['content-type']).toMatch(/json/);
    streams.splice(0).forEach((s) => s.destroy());
    let status: number | undefined = 503;
    for (let i = 0; i < 100 && status === 503; i++) {
      await sleep(50);
      status = (await listen()).statusCode;
    }
    expect(status).toBe(200);
  });

  test('one for an instrument that is not there is refused in words', async () => {
    const res = await listen('/api/devices/nobody/stream');
    expect(res.statusCode).toBe(422);
  });
});

test('a listener that does not read is let go once a quarter of a megabyte waits for it, one that reads never', () => {
  /** A connection that reads, or does not: what is written waits. */
  class Line extends EventEmitter {
    writableLength = 0;
    writableEnded = false;
    destroyed = false;
    constructor(private readonly reads: boolean) {
      super();
    }
    set = () => this;
    flushHeaders = () => undefined;
    write = (text: string) => (this.writableLength += this.reads ? 0 : text.length);
    destroy = () => {
      this.destroyed = true;
      this.emit('close');
    };
  }
  const req = { socket: { remoteAddress: 'deaf' } } as unknown as Request;
  for (const reads of [false, true]) {
    const line = new Line(reads);
    let said = 0;
    let left = false;
    eventStream(req, line as unknown as Response, (say) => {
      for (; said < 2000 && !line.destroyed; said++) say('x'.repeat(1000));
      return () => void (left = true);
    });
    expect([reads, line.destroyed]).toEqual([reads, !reads]);
    if (!reads) expect(said).toBeLessThan(270);
    if (!reads) expect(left).toBe(true);
    line.emit('close');
    expect(left).toBe(true);
  }
});
