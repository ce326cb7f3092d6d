import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readLine, type DeviceLine } from '../../src/core/bench/devices';
import { deviceHub } from '../../src/server/devices/device-hub';
import type { StandIn } from '../../src/server/devices/stand-in';
import { testApp } from './test-app';

let tick = 0;
/** Each line a twentieth of a second after the one before. */
const nextAt = () => new Date(Date.UTC(2026, 3, 30, 9) + 50 * tick++).toISOString();
const said = (value: unknown, more: object = {}) =>
  JSON.stringify({ device: 'x', kind: 'dial-indicator', value, unit: 'mm', at: nextAt(), ...more });

/** A stand-in that says what the test makes it say. */
const puppet = () => {
  let speak: (line: DeviceLine) => void = () => undefined;
  const calls: string[] = [];
  const standIn: StandIn = {
    name: 'x',
    kind: 'dial-indicator',
    start(say) {
      calls.push('start');
      speak = say;
      return () => void calls.push('stop');
    },
    hold: () => undefined,
    held: () => ({}),
  };
  return { standIn, calls, say: (line: string) => speak(readLine(line)) };
};

describe('the hub', () => {
  test('of a real instrument, what makes no sense never reaches who listens, and is said', () => {
    let now = 1000;
    const hub = deviceHub([], { nowMs: () => now });
    const heard: number[] = [];
    hub.post(said(0));
    hub.listen('x', { hear: (l) => heard.push(l.value), end: () => undefined });
    const { taken, refused } = hub.post(
      [
        said(0.1),
        '{"device":"x","ga',
        said('NaN'),
        said(1e9),
        said(3, { unit: 'kPa' }),
        said(3, { kind: 'gauge', unit: 'kPa' }),
      ].join('\n'),
    );
    expect([heard, taken, refused.map((r) => [r.line, r.field])]).toEqual([
      [0.1],
      1,
      [
        [2, 'line'],
        [3, 'value'],
        [4, 'value'],
        [5, 'unit'],
        [6, 'kind'],
      ],
    ]);
    expect(hub.list()[0]).toMatchObject({
      state: 'nonsense',
      last: { value: 0.1 },
      simulated: false,
    });
    hub.post(said(0.2));
    expect(hub.list()[0]).toMatchObject({ state: 'live', problem: null });
    now += 2001;
    expect(hub.list()[0]).toMatchObject({ state: 'silent', ageMs: 2001 });
    hub.forget('x');
    expect(hub.list()).toEqual([]);
  });

  test('an instrument that says one moment again and again is frozen, and is heard once', () => {
    let now = 0;
    const hub = deviceHub([], { nowMs: () => now });
    const line = said(0.4);
    let heard = 0;
    hub.post(line);
    hub.listen('x', { hear: () => heard++, end: () => undefined });
    for (; now < 5000; now += 50) hub.post(line);
    expect([heard, hub.list()[0]!.state]).toEqual([0, 'frozen']);
    // Seldom is no better: the same moment never counts twice.
    now += 60_000;
    hub.post(line);
    expect(heard).toBe(0);
    // A line that comes late is not taken for the latest.
    hub.post(said(0.6, { at: '2026-04-30T12:00:05.000Z' }));
    hub.post(said(0.7, { at: '2026-04-30T12:00:04.000Z' }));
    expect([heard, hub.list()[0]!.last?.value]).toEqual([1, 0.6]);
    // A clock that was reset is believed after a silence.
    now += 60_000;
    hub.post(said(0.5, { at: '2020-01-01T00:00:00.000Z' }));
    expect([heard, hub.list()[0]!.state]).toEqual([2, 'live']);
  });

  test.each(['drop out', 'freeze', 'nonsense'] as const)(
    'a stand-in that fails by %s is heard no more, and again once it is mended',
    (mode) => {
      const { standIn, say } = puppet();
      const hub = deviceHub([standIn]);
      const heard: number[] = [];
      hub.listen('x', { hear: (l) => heard.push(l.value), end: () => undefined });
      say(said(1));
      hub.fail('x', mode);
      for (let i = 0; i < 50; i++) say(said(2));
      expect(heard).toEqual(mode === 'freeze' ? [1, 2] : [1]);
      hub.fail('x', null);
      say(said(3));
      expect(heard.at(-1)).toBe(3);
    },
  );

  test('a real one cannot be held or broken, nor forgotten while it speaks; nobody speaks for a stand-in; there is an end to them', () => {
    const { standIn } = puppet();
    const hub = deviceHub([standIn]);
    hub.post(said(0, { device: 'real' }));
    expect(() => hub.hold('real', {})).toThrow('real instrument');
    expect(() => hub.fail('real', 'noise')).toThrow('real instrument');
    expect(() => hub.forget('real')).toThrow('still connected');
    expect(hub.post(said(1)).refused[0]!.message).toContain('simulated');
    const many = hub.post(
      Array.from({ length: 80 }, (_, i) => said(0, { device: `d${i}` })).join('\n'),
    );
    expect([many.taken, many.refused.length]).toEqual([62, 18]);
  });

  test('a stand-in works only while somebody listens; all who listen hear every line', () => {
    const { standIn, calls, say } = puppet();
    const hub = deviceHub([standIn]);
    const heard = [0, 0];
    const leave = [
      hub.listen('x', { hear: () => heard[0]!++, end: () => undefined }),
      hub.listenAll({ hear: () => heard[1]!++, end: () => undefined }),
    ];
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
  const stream = (count: number, name = 'indicator'): Promise<number[]> =>
    new Promise((resolve, reject) => {
      const request = get(
        { port: (server.address() as AddressInfo).port, path: `/api/devices/${name}/stream` },
        (response) => {
          expect(response.headers['content-type']).toMatch(/^text\/event-stream/);
          let text = '';
          response.on('data', (chunk: Buffer) => {
            text += chunk.toString();
            const values = [...text.matchAll(/^data: (.*)$/gm)].map(
              (m) => (JSON.parse(m[1]!) as { value: number }).value,
            );
            if (values.length < count) return;
            request.destroy();
            resolve(values);
          });
        },
      );
      request.on(
        'error',
        (error: NodeJS.ErrnoException) => error.code !== 'ECONNRESET' && reject(error),
      );
    });

  test('the stand-in is named as one, and shows the rim where it is held', async () => {
    expect((await ask.get('/api/devices')).body.devices).toContainEqual(
      expect.objectContaining({
        name: 'indicator',
        kind: 'dial-indicator',
        simulated: true,
        state: 'silent',
      }),
    );
    await ask.put('/api/devices/indicator/hold').send({ deg: 70, axis: 'lateral' }).expect(204);
    const high = (await stream(20)).at(-1)!;
    await ask.put('/api/devices/indicator/hold').send({ deg: 250, axis: 'lateral' }).expect(204);
    const low = (await stream(20)).at(-1)!;
    expect(high - low).toBeCloseTo(1.8, 1);
  });

  test('what it cannot do is refused by its field', async () => {
    const refused = await ask
      .put('/api/devices/indicator/hold')
      .send({ deg: 400, axis: 'lateral' });
    expect([refused.status, refused.body.error.field]).toEqual([422, 'deg']);
    expect((await ask.get('/api/devices/nobody/stream')).body.error).toMatchObject({
      field: 'device',
      expected: expect.stringContaining('indicator'),
    });
  });

  test('lines of a real one come in as they are, its calibration from the shop’s records', async () => {
    await ask
      .post('/api/records/instruments')
      .send({ id: 'p', name: 'x', kind: 'dial-indicator', calibratedOn: '2026-02-03' })
      .expect(201);
    const post = () => ask.post('/api/devices/lines').set('content-type', 'application/x-ndjson');
    expect(
      (
        await post()
          .send(`${said(0.25)}\nnot a line\n`)
          .expect(200)
      ).body,
    ).toEqual({ taken: 1, refused: [expect.objectContaining({ line: 2, field: 'line' })] });
    expect((await ask.get('/api/devices')).body.devices).toContainEqual(
      expect.objectContaining({
        name: 'x',
        simulated: false,
        calibratedOn: '2026-02-03',
        last: expect.objectContaining({ value: 0.25 }),
      }),
    );
    // What another site's page could send without asking is not taken.
    expect(
      (await ask.post('/api/devices/lines').set('content-type', 'text/plain').send(said(0.9))).body,
    ).toEqual({ taken: 0, refused: [] });
    await ask.delete('/api/devices/x').expect(422);
  });

  test('the stand-ins: a wrench reads what it is pulled to, a caliper its part, and each can be broken', async () => {
    await ask.put('/api/devices/caliper/hold').send({ on: true, partMm: 7.3 }).expect(204);
    expect((await stream(30, 'caliper')).at(-1)).toBeCloseTo(7.3, 1);
    await ask.put('/api/devices/tip%20thermometer/hold').send({ tempC: 200 }).expect(422);
    await ask.put('/api/devices/caliper/fail').send({ fails: 'noise' }).expect(204);
    const noisy = await stream(30, 'caliper');
    expect(Math.max(...noisy) - Math.min(...noisy)).toBeGreaterThan(0.5);
    expect(
      (await ask.put('/api/devices/caliper/fail').send({ fails: 'sulk' }).expect(422)).body.error
        .field,
    ).toBe('fails');
    await ask.put('/api/devices/caliper/fail').send({ fails: null }).expect(204);
  });
});
