import pino from 'pino';
import request from 'supertest';
import { createApp } from '../../src/server/app';
import { openDb } from '../../src/server/db/open-db';
import { isLoopback } from '../../src/server/auth/access';
import { MAX_WRONG, WAIT_MINUTES } from '../../src/server/auth/sign-in-rate-limit';
import { testApp } from './test-app';

describe('who may reach it', () => {
  test('health needs nothing but the loopback name', async () => {
    const { ask } = testApp({ empty: true });
    expect((await ask.get('/api/health').expect(200)).body).toEqual({ ok: true });
    await ask.get('/api/health').set('Host', 'elsewhere.example').expect(403);
  });

  test('a shop without a certificate of its own says so, and gives no page in its place', async () => {
    const { ask } = testApp({ empty: true });
    const { text } = await ask.get('/certificate.crt').expect(404);
    expect(text).toBe('This shop has no certificate of its own.\n');
  });

  test.each([
    ['127.0.0.1', true],
    ['localhost', true],
    ['::1', true],
    ['0.0.0.0', false],
    ['192.0.2.7', false],
    ['127.0.0.1.example', false],
  ])('%s is loopback: %s', (host, is) => {
    expect(isLoopback(host)).toBe(is);
  });

  test('answers are for who asked alone, and asked for anew, by what they had', async () => {
    const { ask } = testApp();
    expect((await ask.get('/api/shop').expect(200)).headers['cache-control']).toBe(
      'private, no-cache',
    );
    const { etag } = (await ask.get('/api/shop')).headers;
    await ask.get('/api/shop').set('If-None-Match', etag!).expect(304);
  });

  test('security headers are set', async () => {
    const { headers } = await testApp({ empty: true }).ask.get('/api/health');
    expect(headers['content-security-policy']).toMatch(/default-src 'self'/);
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('the passphrase', () => {
  const PASSPHRASE = 'still water over stones';

  test('nothing is served without it', async () => {
    const { ask } = testApp({ empty: true, passphrase: PASSPHRASE });
    const { headers } = await ask.get('/api/shop').expect(401);
    expect(headers['www-authenticate']).toMatch(/^Basic realm=/);
    await ask.get('/').expect(401);
    await ask.get('/api/shop').auth('anyone', 'wrong').expect(401);
    await ask.get('/api/shop').set('Authorization', 'Basic ???').expect(401);
    await ask.get('/api/shop').set('Authorization', `Bearer ${PASSPHRASE}`).expect(401);
    await ask.get('/api/shop').auth('anyone', PASSPHRASE).expect(200);
  });

  test('who guesses waits: not even the right one helps then, until the time is over', async () => {
    jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'setTimeout'] });
    try {
      const { ask } = testApp({ empty: true, passphrase: PASSPHRASE });
      const guess = (passphrase: string) => ask.get('/api/shop').auth('anyone', passphrase);
      // Neither what brings nothing nor what is right counts.
      for (let i = 0; i < 2 * MAX_WRONG; i++) {
        await ask.get('/api/shop').expect(401);
        await guess(PASSPHRASE).expect(200);
      }
      for (let i = 0; i < MAX_WRONG; i++) await guess(`guess ${i}`).expect(401);
      const { body } = await guess('another guess').expect(429);
      expect(body.error.expected).toBe(`Try again in ${WAIT_MINUTES} minutes`);
      await guess(PASSPHRASE).expect(429);
      jest.setSystemTime(Date.now() + (WAIT_MINUTES * 60 - 5) * 1000);
      await guess(PASSPHRASE).expect(429);
      jest.setSystemTime(Date.now() + 10_000);
      await guess(PASSPHRASE).expect(200);
      await guess('one more guess').expect(401);
    } finally {
      jest.useRealTimers();
    }
  });

  test('many at once with the right one are all served, streams that never end among them', async () => {
    const { ask } = testApp({ empty: true, passphrase: PASSPHRASE });
    const all = Array.from({ length: 3 * MAX_WRONG }, () =>
      ask.get('/api/shop').auth('anyone', PASSPHRASE),
    );
    expect((await Promise.all(all)).map((r) => r.status)).toEqual(all.map(() => 200));
  });

  test('a wrong one is in the log, without what it was', async () => {
    const said: string[] = [];
    const logger = pino({ level: 'warn' }, { write: (line: string) => void said.push(line) });
    const app = createApp(openDb(':memory:'), {
      photosDir: 'nowhere',
      logger,
      passphrase: PASSPHRASE,
    });
    await request(app).get('/api/shop').auth('anyone', 'a wrong guess').expect(401);
    await request(app).get('/api/shop').expect(401);
    const warned = said.filter((line) => line.includes('a wrong passphrase'));
    expect(warned).toHaveLength(1);
    expect(JSON.parse(warned[0]!)).toMatchObject({ from: expect.stringContaining('127.0.0.1') });
    expect(said.join()).not.toMatch(/a wrong guess|YW55b25l/);
  });
});

describe('who writes', () => {
  const { ask, db } = testApp();
  const people = () => db.prepare('SELECT count(*) FROM people').pluck().get();
  const write = (headers: Record<string, string>) =>
    ask.post('/api/people').set(headers).send({ name: 'Ada Marl' });
  test.each([
    ['another site', { 'sec-fetch-site': 'cross-site' }],
    [
      'another port of this machine',
      { 'sec-fetch-site': 'same-site', origin: 'http://127.0.0.1:1' },
    ],
    ['another site, by an older browser', { origin: 'http://elsewhere.example' }],
    ['another port, by an older browser', { origin: 'http://127.0.0.1:1' }],
    ['a file or a sandbox', { origin: 'null' }],
  ])('a page of %s does not', async (_, headers) => {
    const before = people();
    expect((await write(headers).expect(403)).body.error.field).toBe('origin');
    for (const method of ['put', 'delete', 'patch'] as const)
      await ask[method]('/api/shop/name').set(headers).send({ name: 'Other' }).expect(403);
    expect(people()).toBe(before);
    // What only reads is no danger: the browser does not hand it to the page.
    await ask.get('/api/health').set(headers).expect(200);
  });
  test.each([
    ['Use the shop’s own page', { 'sec-fetch-site': 'same-origin' }],
    ['what somebody typed', { 'sec-fetch-site': 'none' }],
    [
      'the own page, by an older browser',
      { host: '127.0.0.1:4180', origin: 'http://127.0.0.1:4180' },
    ],
    ['no browser at all', {}],
  ])('%s does', async (_, headers) => {
    await write(headers).expect(201);
  });
});
