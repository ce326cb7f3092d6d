import { expect, test } from '@playwright/test';
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

let dir = '';
test.beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-start-'))));
test.afterEach(() => rmSync(dir, { recursive: true, force: true }));

/** Runs a built program to its end and says what it said. */
const runToEnd = (
  args: string[],
  env: Record<string, string> = {},
): Promise<{ code: number | null; said: string }> =>
  new Promise((resolve) => {
    const child = spawn('node', args, {
      env: { ...process.env, RIMSTONE_DB: join(dir, 'shop.sqlite'), PORT: '0', ...env },
    });
    let said = '';
    child.stdout.on('data', (c: Buffer) => (said += c.toString()));
    child.stderr.on('data', (c: Buffer) => (said += c.toString()));
    child.once('exit', (code) => resolve({ code, said }));
  });

const MAIN = ['dist/server/main.cjs', '--new'];

test('a busy port is said in a sentence', async () => {
  const busy = createServer();
  await new Promise<void>((resolve) => busy.listen(0, '127.0.0.1', resolve));
  const { port } = busy.address() as AddressInfo;
  const { code, said } = await runToEnd(MAIN, { PORT: String(port) });
  busy.close();
  expect(code).toBe(1);
  expect(said).toBe(
    `Port ${port} is busy. Set PORT to a free one, for example PORT=${port + 1}.\n`,
  );
});

for (const [name, env, sentence] of [
  [
    'a port that is none',
    { PORT: 'eighty' },
    'PORT is "eighty"; it must be a whole number from 0 to 65535.\n',
  ],
  [
    'an address that others can reach, without a passphrase',
    { HOST: '0.0.0.0' },
    'HOST 0.0.0.0 can be reached from other machines and sign-in is off. Start it on this machine alone and set up an owner on the People screen, or set RIMSTONE_PASSPHRASE.\n',
  ],
] as const)
  test(`${name} is refused in a sentence`, async () => {
    expect(await runToEnd(MAIN, env)).toEqual({ code: 1, said: sentence });
  });

test('beyond this machine it is reached over TLS, and found by a client that checks the certificate', async () => {
  const env = { ...process.env, PORT: '0', HOST: '0.0.0.0', RIMSTONE_DB: join(dir, 'shop.sqlite') };
  const child = spawn('node', [...MAIN, '--new'], {
    env: { ...env, RIMSTONE_PASSPHRASE: 'still water over stones' },
  });
  try {
    let said = '';
    child.stdout.on('data', (c: Buffer) => (said += c.toString()));
    await expect.poll(() => said).toMatch(/ready: https:[^]*fingerprint: [\dA-F:]{95}/);
    const ca = readFileSync(join(dir, 'shop-tls', 'root.crt'));
    const port = Number(/:(\d+)$/m.exec(said)![1]);
    const status = (options: object) =>
      new Promise((done) => {
        get({ host: '127.0.0.1', port, path: '/api/health', agent: false, ...options }, (res) =>
          done(res.resume().statusCode),
        ).once('error', (error: NodeJS.ErrnoException) => done(error.code));
      });
    expect(await status({ ca })).toBe(401);
    expect(await status({ ca, auth: 'any:still water over stones' })).toBe(200);
    expect(await status({})).toBe('UNABLE_TO_VERIFY_LEAF_SIGNATURE');
  } finally {
    child.kill('SIGKILL');
  }
});

test('a database file that cannot be used is said, and left alone', async () => {
  const file = join(dir, 'letter.txt');
  writeFileSync(file, 'Dear shop,\n'.repeat(500));
  const { code, said } = await runToEnd(MAIN, { RIMSTONE_DB: file });
  expect(code).toBe(1);
  expect(said).toMatch(
    /^The database .*letter\.txt cannot be used: .*Set RIMSTONE_DB to a file that can be written\.\n$/,
  );
  expect(readFileSync(file, 'utf8')).toBe('Dear shop,\n'.repeat(500));
  const nowhere = await runToEnd(MAIN, { RIMSTONE_DB: join(file, 'inside', 'shop.sqlite') });
  expect(nowhere.code).toBe(1);
  expect(nowhere.said).toMatch(/cannot be used/);
});

test('without a shop there is none: a new one is begun on purpose', async () => {
  const file = join(dir, 'shop.sqlite');
  const { code, said } = await runToEnd(['dist/server/main.cjs'], { RIMSTONE_DB: file });
  expect(code).toBe(1);
  expect(said).toMatch(/^No shop at .*shop\.sqlite\. .*start with "npm start -- --new"\.\n$/);
  expect(existsSync(file)).toBe(false);
});

test('the demo shop is filled once, whole, and kept as it is after that', async () => {
  const file = join(dir, 'demo.sqlite');
  expect((await runToEnd(['dist/server/fill-demo.cjs', file])).code).toBe(0);
  expect(existsSync(`${file}.making`)).toBe(false);
  const { mtimeMs, size } = statSync(file);
  expect((await runToEnd(['dist/server/fill-demo.cjs', file])).code).toBe(0);
  expect(statSync(file)).toMatchObject({ mtimeMs, size });
});

test('what an interrupted filling left behind does not stand in the way', async () => {
  const file = join(dir, 'demo.sqlite');
  writeFileSync(`${file}.making`, 'half a database');
  expect((await runToEnd(['dist/server/fill-demo.cjs', file])).code).toBe(0);
  expect(statSync(file).size).toBeGreaterThan(100_000);
  expect(existsSync(`${file}.making`)).toBe(false);
});

/** The real server on a shop of its own, and where it listens. */
const begin = async (env: Record<string, string> = {}) => {
  const child = spawn('node', MAIN, {
    env: { ...process.env, RIMSTONE_DB: join(dir, 'shop.sqlite'), PORT: '0', ...env },
  });
  const url = await new Promise<string>((resolve) =>
    child.stdout.on('data', (c: Buffer) => resolve(/http:\S+/.exec(c.toString())![0])),
  );
  return {
    child,
    url,
    ended: new Promise<number | null>((resolve) => child.once('exit', resolve)),
  };
};

test('the server stops at once and cleanly when it is asked to', async () => {
  const { child, url, ended } = await begin();
  expect(await (await fetch(`${url}/api/health`)).json()).toEqual({ ok: true });
  child.kill('SIGTERM');
  expect(await ended).toBe(0);
  expect(existsSync(join(dir, 'shop.sqlite-wal'))).toBe(false);
});

test('what takes seconds to work out holds nobody else up, and ends with a sentence', async () => {
  test.setTimeout(60_000);
  const { child, url, ended } = await begin({ RIMSTONE_WORK_MS: '1000' });
  const work = (name: string, input: object) =>
    fetch(`${url}/api/workings/${name}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(input),
    });
  const light = { restDeg: 212, trialMassG: 25, trialDeg: 302, restWithTrialDeg: 247 };
  // A thread that is only just starting may take longer than the second by itself.
  const answers = () =>
    expect
      .poll(async () => (await work('balance-trial', light)).status, { timeout: 120_000 })
      .toBe(200);
  await answers();
  // Every reading of the longest list weighed for every wheel: seconds, on any machine.
  const seen = Array.from({ length: 40 }, (_, i) => ({
    kind: 'settle',
    restDeg: (i * 37) % 360,
    from: 'left',
  }));
  const heavy = work('stand-band', { wheels: Array.from({ length: 16 }, () => ({ seen })) });
  // Others are answered while it is worked on: were it done on the request thread, they would come
  // after it.
  const order: string[] = [];
  void heavy.then(() => order.push('heavy'));
  for (let i = 0; i < 3; i++) {
    expect((await fetch(`${url}/api/health`)).status).toBe(200);
    order.push('health');
  }
  expect(order[0]).toBe('health');
  const refused = await heavy;
  expect(refused.status).toBe(422);
  expect(await refused.json()).toMatchObject({
    error: { field: 'input', message: 'Stopped: it took longer than 1 second.' },
  });
  await answers();
  child.kill('SIGTERM');
  expect(await ended).toBe(0);
});
