import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { connect, type AddressInfo, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import pino from 'pino';
import sharp from 'sharp';
import request from 'supertest';
import { bodyWatch } from '../../src/server/body-watch';
import { MAX_STREAMS_OF_PERSON } from '../../src/server/live/event-stream';
import { cleanPicture } from '../../src/server/photo-clean';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { closedShop, makeSecrets } from './closed-shop';
import { testApp } from './test-app';

beforeAll(makeSecrets);

const listening = async (server: ReturnType<typeof createServer>): Promise<number> => {
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  return (server.address() as AddressInfo).port;
};

/** Sends the head of a request and half of its body, and leaves it there. */
const halfRequest = async (port: number, path: string): Promise<Socket> => {
  const socket = connect(port, '127.0.0.1');
  await once(socket, 'connect');
  socket.on('error', () => undefined);
  socket.write(
    `POST ${path} HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 100\r\n\r\n{`,
  );
  return socket;
};

describe('half a request', () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-bounds-'));
  afterAll(() => rmSync(dir, { recursive: true, force: true }));

  test('holds up neither the erasing of a name nor a restore', async () => {
    const file = join(dir, 'shop.sqlite');
    const { db } = testApp();
    writeFileSync(file, db.serialize());
    db.close();
    const shop = runningShop(file, {
      logger: pino({ level: 'silent' }),
      passphrase: undefined,
      work: workHere(),
    });
    const server = createServer(shop.answer);
    const port = await listening(server);
    const halves = await Promise.all(
      ['/api/people', '/api/session', '/api/jobs'].map((path) => halfRequest(port, path)),
    );
    const ask = request(`http://127.0.0.1:${port}`);
    const body = { name: 'Mara Tolling', also: [], who: 'Juna Birk' };
    await ask.post('/api/riders/forget').send(body).expect(200);
    halves.forEach((socket) => socket.destroy());
    server.closeAllConnections();
    server.close();
    shop.close();
  });

  const watched = async (mayCome: ReturnType<typeof bodyWatch>) => {
    const letIn: boolean[] = [];
    const server = createServer((req, res) => {
      letIn.push(mayCome(req, res));
      req.resume();
    });
    return { server, letIn, port: await listening(server) };
  };

  test('that comes too slowly loses its connection', async () => {
    const { server, letIn, port } = await watched(bodyWatch(50));
    const slow = await halfRequest(port, '/');
    if (!slow.closed) await once(slow, 'close');
    expect(letIn).toEqual([true]);
    server.close();
  });

  test('32 at once from one address are let in, and again once they are over', async () => {
    const { server, letIn, port } = await watched(bodyWatch(600_000));
    const sockets = await Promise.all(Array.from({ length: 33 }, () => halfRequest(port, '/')));
    while (letIn.length < 33) await setTimeout(5);
    expect([letIn.filter(Boolean).length, letIn.filter((it) => !it).length]).toEqual([32, 1]);
    sockets.forEach((s) => s.destroy());
    // What is over counts no more, once the server has seen it end.
    while (!letIn.at(-1) || letIn.length === 33) {
      (await halfRequest(port, '/')).destroy();
      await setTimeout(5);
    }
    server.closeAllConnections();
    server.close();
  });
});

test('a person has so many streams, from whatever addresses, and no more', async () => {
  const { app, signIn } = closedShop();
  app.set('trust proxy', true);
  const server = createServer(app);
  const port = await listening(server);
  const wil = await signIn('learner');
  const cookie = wil.jar
    .getCookies({ path: '/', domain: '127.0.0.1', secure: false, script: false })
    .toValueString();
  const stop = new AbortController();
  const statusOf = async (i: number) => {
    const headers = { cookie, 'X-Forwarded-For': `198.51.100.${i}` };
    return (await fetch(`http://127.0.0.1:${port}/api/live`, { headers, signal: stop.signal }))
      .status;
  };
  const statuses = await Promise.all(
    Array.from({ length: MAX_STREAMS_OF_PERSON + 6 }, (_, i) => statusOf(i)),
  );
  expect(statuses.filter((s) => s === 200)).toHaveLength(MAX_STREAMS_OF_PERSON);
  expect(statuses.filter((s) => s === 503)).toHaveLength(6);
  stop.abort();
  server.closeAllConnections();
  server.close();
});

test.each([
  '/api/jobs?search',
  '/api/visits?search',
  '/api/rechecks?search',
  '/api/records/tires?find',
  '/api/machines?find',
])('a control character in a search at %s is refused in words', async (path) => {
  const { ask } = testApp();
  for (const text of ['\u0000', 'a\u0000b', '\u0007'])
    expect((await ask.get(`${path}=${encodeURIComponent(text)}`)).status).toBe(422);
  await ask.get(`${path}=${encodeURIComponent('Zoë 130/90')}`).expect(200);
});

test('a picture with more pixels than a screen shows is made smaller, and one with absurdly many is refused', async () => {
  const of = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#345' } })
      .jpeg()
      .toBuffer();
  const { bytes } = await cleanPicture(await of(6000, 3000), 'a picture');
  expect(await sharp(bytes).metadata()).toMatchObject({ width: 4096, height: 2048 });
  const small = await cleanPicture(await of(300, 200), 'a picture');
  expect(await sharp(small.bytes).metadata()).toMatchObject({ width: 300, height: 200 });
  await expect(cleanPicture(await of(9000, 7000), 'a picture')).rejects.toThrow();
});
