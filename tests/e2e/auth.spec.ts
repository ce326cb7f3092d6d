import { spawn } from 'node:child_process';
import { readdirSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { expect, openAs, test } from './shop';

test('a page of another address writes nothing into the shop, whatever it tries', async ({
  page,
  shop,
  browser,
}) => {
  await openAs(page, shop, '/');
  const kept = async () => {
    const [shopNow, backups] = await Promise.all(
      ['/api/shop', '/api/backups'].map(async (at) =>
        (await page.request.get(shop.url + at)).json(),
      ),
    );
    return [
      (shopNow as { people: string[] }).people,
      (backups as { backups: unknown[] }).backups.length,
    ];
  };
  const before = await kept();
  const foreign = createServer((_, res) =>
    res.setHeader('content-type', 'text/html').end('<p>A page</p>'),
  );
  await new Promise<void>((done) => foreign.listen(0, '127.0.0.1', done));
  try {
    const { port } = foreign.address() as AddressInfo;
    const stranger = await browser.newPage();
    await stranger.goto(`http://127.0.0.1:${port}/`);
    const sent: string[] = [];
    const statuses: number[] = [];
    stranger.on(
      'request',
      (r) => void (r.method() === 'POST' && sent.push(new URL(r.url()).pathname)),
    );
    stranger.on(
      'response',
      (r) => void (r.request().method() === 'POST' && statuses.push(r.status())),
    );
    await stranger.evaluate(async (url) => {
      const send = (path: string, body?: string) =>
        fetch(url + path, {
          method: 'POST',
          mode: 'no-cors',
          ...(body === undefined ? {} : { body }),
        }).catch(() => undefined);
      await send('/api/backups');
      await send('/api/people', '{"name":"Nobody"}');
      await send('/api/jobs', '{}');
      const form = document.createElement('form');
      Object.assign(form, { method: 'post', action: `${url}/api/backups`, target: 'there' });
      const frame = Object.assign(document.createElement('iframe'), { name: 'there' });
      document.body.append(frame, form);
      form.submit();
      await new Promise((done) => frame.addEventListener('load', done, { once: true }));
    }, shop.url);
    // What a script asked for it is not even told; the form shows the refusal.
    await expect.poll(() => statuses).toEqual([403]);
    expect(sent).toEqual(['/api/backups', '/api/people', '/api/jobs', '/api/backups']);
    // Nor is anything read by it.
    const read = await stranger.evaluate(
      (url) =>
        fetch(`${url}/api/shop`)
          .then((r) => r.text())
          .catch((e: Error) => e.name),
      shop.url,
    );
    expect(read).toBe('TypeError');
    expect(await kept()).toEqual(before);
    await stranger.close();
  } finally {
    foreign.close();
  }
  // The shop's own page makes one.
  await openAs(page, shop, '/backups');
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect.poll(async () => (await kept())[1]).toBe((before[1] as number) + 1);
});

test('a passphrase that can be guessed is refused in a sentence', async ({ shop }) => {
  const child = spawn('node', ['dist/server/main.cjs', '--new'], {
    env: {
      ...process.env,
      RIMSTONE_DB: join(shop.dir, 'other.sqlite'),
      PORT: '0',
      RIMSTONE_PASSPHRASE: 'ringring',
    },
  });
  let said = '';
  child.stderr.on('data', (c: Buffer) => (said += c.toString()));
  expect(await new Promise((done) => child.once('exit', done))).toBe(1);
  expect(said).toBe(
    'RIMSTONE_PASSPHRASE can be guessed. It has fewer than 12 characters. Make up a sentence of 12 characters or more.\n',
  );
});

test('what the shop keeps can be read by the account that runs it, and by no other', async ({
  page,
  shop,
}) => {
  await page.request.post(`${shop.url}/api/backups`);
  const all = readdirSync(shop.dir, { recursive: true, withFileTypes: true }).map((e) =>
    join(e.parentPath, e.name),
  );
  expect(all.length).toBeGreaterThan(3);
  for (const path of all) {
    const { mode } = statSync(path);
    expect([path, (mode & 0o077).toString(8)]).toEqual([path, '0']);
  }
});
