import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { deviceHub, type StandIn } from '../../src/server/devices/hub';
import { testApp } from './test-app';

const at = '2026-04-30T09:00:00.000Z';
const said = (value: unknown, more: object = {}) => JSON.stringify({ device: 'x', kind: 'dial-indicator', value, unit: 'mm', at, ...more });

/** An instrument that says what the test makes it say. */
const puppet = () => {
  let speak: (line: string) => void = () => undefined;
  const calls: string[] = [];
  const standIn: StandIn = {
    device: { name: 'x', kind: 'dial-indicator', simulated: true, calibratedOn: null },
    start(say) {
      calls.push('start');
      speak = say;
      return () => void calls.push('stop');
    },
    hold: () => undefined,
  };
  return { standIn, calls, say: (line: string) => speak(line) };
};

describe('the hub', () => {
  test('what makes no sense never reaches who listens, and is said', () => {
    let now = 1000;
    const { standIn, say } = puppet();
    const hub = deviceHub([standIn], () => now);
    const heard: number[] = [];
    hub.listen('x', { hear: (l) => heard.push(l.value), end: () => undefined });
    for (const line of [said(0.1), 'garbage', said('NaN'), said(1e9), said(0.5, { device: 'another' }), said(3, { unit: 'kPa' })]) say(line);
    expect(heard).toEqual([0.1]);
    expect(hub.list()[0]).toMatchObject({ state: 'nonsense', last: { value: 0.1 } });
    say(said(0.2));
    expect(hub.list()[0]).toMatchObject({ state: 'live', problem: null });
    now += 2001;
    expect(hub.list()[0]!.state).toBe('silent');
  });

  test('a stand-in works only while somebody listens; all who listen hear every line', () => {
    const { standIn, calls, say } = puppet();
    const hub = deviceHub([standIn]);
    const heard = [0, 0];
    const leave = heard.map((_, i) => hub.listen('x', { hear: () => heard[i]!++, end: () => undefined }));
    for (let i = 0; i < 20; i++) say(said(i / 10));
    expect([heard, calls]).toEqual([[20, 20], ['start']]);
    leave.forEach((l) => l());
    expect(calls).toEqual(['start', 'stop']);
  });

  test('stopping tells everybody', () => {
    const { standIn, calls } = puppet();
    const hub = deviceHub([standIn]);
    let ended = 0;
    hub.listen('x', { hear: () => undefined, end: () => ended++ });
    hub.stop();
    expect([ended, calls]).toEqual([1, ['start', 'stop']]);
  });
});

describe('over HTTP', () => {
  let server: Server;
  const { app, ask } = testApp({ empty: true });
  beforeAll((done) => void (server = createServer(app).listen(0, '127.0.0.1', done)));
  afterAll((done) => {
    server.closeAllConnections();
    server.close(() => done());
  });

  /** The values of so many events of the stream. */
  const stream = (count: number): Promise<number[]> =>
    new Promise((resolve, reject) => {
      const request = get({ port: (server.address() as AddressInfo).port, path: '/api/devices/indicator/stream' }, (response) => {
        expect(response.headers['content-type']).toMatch(/^text\/event-stream/);
        let text = '';
        response.on('data', (chunk: Buffer) => {
          text += chunk.toString();
          const values = [...text.matchAll(/^data: (.*)$/gm)].map((m) => (JSON.parse(m[1]!) as { value: number }).value);
          if (values.length < count) return;
          request.destroy();
          resolve(values);
        });
      });
      request.on('error', (error: NodeJS.ErrnoException) => error.code !== 'ECONNRESET' && reject(error));
    });

  test('the stand-in is named as one, and shows the rim where it is held', async () => {
    expect((await ask.get('/api/devices')).body.devices).toEqual([expect.objectContaining({ name: 'indicator', kind: 'dial-indicator', simulated: true, state: 'silent' })]);
    await ask.put('/api/devices/indicator/hold').send({ deg: 70, axis: 'lateral' }).expect(204);
    const high = (await stream(20)).at(-1)!;
    await ask.put('/api/devices/indicator/hold').send({ deg: 250, axis: 'lateral' }).expect(204);
    const low = (await stream(20)).at(-1)!;
    expect(high - low).toBeCloseTo(1.8, 1);
  });

  test('what it cannot do is refused by its field', async () => {
    const refused = await ask.put('/api/devices/indicator/hold').send({ deg: 400, axis: 'lateral' });
    expect([refused.status, refused.body.error.field]).toEqual([422, 'deg']);
    expect((await ask.get('/api/devices/nobody/stream')).body.error).toMatchObject({ field: 'device', expected: 'indicator' });
  });
});
