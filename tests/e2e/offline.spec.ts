import { createServer, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, expectAccessible, openAs, startJob, test, toStep } from './shop';

test.describe('without the server', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the screens load, the job on the bench opens, and all that is done there arrives in order', async ({
    page,
    shop,
    context,
  }) => {
    await openAs(page, shop, '/jobs/demo-job-22/tire-on');
    await expect(page.getByText('Step 1 of 9')).toBeVisible();
    // The browser has the screens once its worker stands, and the job a moment after it was read.
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.waitForTimeout(1500);
    const before = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();

    await shop.stop('SIGKILL');
    await page.keyboard.press('n');
    await expect(page.getByText('Step 2 of 9')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Step 2 of 9')).toBeVisible();
    await page.keyboard.press('n');
    await expect(page.getByText('Step 3 of 9')).toBeVisible();
    await expect(page.getByRole('button', { name: '2 unsent' })).toBeVisible();
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByLabel('What was found, advised or decided').fill('Written in the cellar');
    await page.getByRole('button', { name: 'Save note' }).click();
    await expect(page.getByRole('button', { name: '3 unsent' })).toBeVisible();

    // On every screen, and what waits is named.
    await page.goto(`${shop.url}/`);
    await page.getByRole('button', { name: '3 unsent' }).click();
    await expect(page.getByText('Offline since', { exact: false })).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Job 1022: 3 entries unsent' }).click();
    await expect(page.getByText('Step 3 of 9')).toBeVisible();
    await expect(page.getByRole('listitem').filter({ hasText: 'unsent' })).toHaveCount(1);
    await expectAccessible(page);

    // A second tab shows it too; both are there when the server comes back, and it arrives once.
    const second = await context.newPage();
    await second.goto(`${shop.url}/jobs/demo-job-22/log`);
    await expect(second.getByText('Written in the cellar')).toBeVisible();
    await shop.start();
    await expect(page.getByRole('button', { name: /^\d+ waiting$/ })).toBeHidden();
    await expect(second.getByText('· unsent')).toHaveCount(0);
    const { entries } = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();
    const added = (entries as { kind: string; at: string; arrivedAt?: string }[]).slice(
      before.entries.length,
    );
    expect(added.map((e) => e.kind)).toEqual(['step', 'step', 'note']);
    await expect(page.getByText('Step 3 of 9')).toBeVisible();
  });

  test('somebody else wrote meanwhile: each entry is asked for, on a phone too', async ({
    page,
    shop,
  }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await openAs(page, shop, '/jobs/demo-job-22/tire-on');
    await expect(page.getByText('Step 1 of 9')).toBeVisible();
    const { job } = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();
    // This tablet has walked out of reach.
    await page.context().setOffline(true);
    await page.keyboard.press('n');
    await expect(page.getByText('Step 2 of 9')).toBeVisible();
    await page.keyboard.press('n');
    await expect(page.getByText('Step 3 of 9')).toBeVisible();
    const data = { text: 'Tire is still cold.' };
    const entry = { id: 'elsewhere', who: 'Osk Tarrow', station: 'tire-on', kind: 'note', data };
    const sent = await page.request.post(`${shop.url}/api/jobs/demo-job-22/entries`, {
      data: { expectedSeq: job.lastSeq, entries: [entry] },
    });
    expect(sent.status()).toBe(201);
    await page.context().setOffline(false);
    await expect(page.getByText('Someone else changed this job.', { exact: false })).toBeVisible();
    await expect(page.getByRole('button', { name: '2 to review' })).toBeVisible();
    await expect(page.getByText('Step 1 of 9')).toBeVisible();
    const asked = page.getByRole('alert', { name: 'Not sent yet' });
    await expect(asked.getByText('Tire is still cold.', { exact: false })).toBeVisible();
    await expectAccessible(page);
    await asked.getByRole('button', { name: 'Discard' }).last().click();
    await asked.getByRole('button', { name: 'Send now' }).click();
    await expect(asked).toBeHidden();
    await expect(page.getByText('Step 2 of 9')).toBeVisible();
    await expect(page.getByRole('button', { name: /^\d+ (waiting|to review)$/ })).toBeHidden();
    const { entries } = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();
    expect((entries as { kind: string }[]).slice(job.lastSeq).map((e) => e.kind)).toEqual([
      'note',
      'step',
    ]);
  });
});

/** A way to a server that stays while the program behind it is exchanged for a newer one. */
const before = (target: string): Promise<{ url: string; exchange(): void; end(): void }> => {
  let version = '';
  const server: Server = createServer((asked, answer) => {
    const { method } = asked;
    const { 'if-modified-since': _since, 'if-none-match': _match, ...headers } = asked.headers;
    const path = asked.url ?? '/';
    const { host } = new URL(target);
    const on = request(
      target + path,
      { method, headers: { ...headers, host, 'accept-encoding': 'identity' } },
      (res) => {
        if (path !== '/sw.js') {
          answer.writeHead(res.statusCode!, res.headers);
          return void res.pipe(answer);
        }
        const { 'content-length': _length, etag: _etag, ...rest } = res.headers;
        answer.writeHead(res.statusCode!, rest);
        res.pipe(answer, { end: false });
        res.on('end', () => answer.end(version));
      },
    );
    on.on('error', () => answer.destroy());
    asked.pipe(on);
  });
  return new Promise((done) =>
    server.listen(0, '127.0.0.1', () =>
      done({
        url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
        exchange: () => void (version = '\n// a newer version'),
        end: () => {
          server.closeAllConnections();
          server.close();
        },
      }),
    ),
  );
};

test.describe('a newer version of the program', () => {
  test.use({ serviceWorkers: 'allow' });

  test('is told, and taken by a tap once nothing waits', async ({ page, shop }) => {
    const way = await before(shop.url);
    await page.addInitScript(() =>
      localStorage.setItem('rimstone-prefs', JSON.stringify({ who: 'Juna Birk', theme: 'day' })),
    );
    await page.goto(`${way.url}/jobs/demo-job-22/tire-on`);
    await expect(page.getByText('Step 1 of 9')).toBeVisible();
    await page.evaluate(() => navigator.serviceWorker.ready);
    way.exchange();
    await page.reload();
    await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
    const mark = page.getByRole('button', { name: 'Update ready' });
    await expect(mark).toBeVisible();

    await shop.stop('SIGKILL');
    await page.keyboard.press('n');
    await page.getByRole('button', { name: '1 unsent' }).click();
    await expect(page.getByRole('button', { name: 'Update now' })).toBeDisabled();
    await page.keyboard.press('Escape');
    await shop.start();
    await mark.click();
    const loaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Update now' }).click();
    await loaded;
    await expect(page.getByText('Step 2 of 9')).toBeVisible();
    await expect(mark).toBeHidden();
    way.end();
  });
});

test('an entry that waits is told in words and can be discarded; what is behind it goes on', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  await shop.stop('SIGKILL');
  for (const n of [1, 2]) {
    await page.keyboard.press('n');
    // Each is kept before the next: pressed twice too soon, a step is done once.
    await expect(page.getByRole('button', { name: `${n} unsent` })).toBeVisible();
  }
  await page.getByRole('button', { name: '2 unsent' }).click();
  const list = page.getByRole('list', { name: 'Unsent entries' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await expect(list).toContainText('Done: Find the arrow.');
  await expectAccessible(page);
  await list.getByRole('button', { name: /^Discard: Done: Find the arrow/ }).click();
  await expect(page.getByRole('button', { name: '1 unsent' })).toBeVisible();
  await page.keyboard.press('Escape');
  await shop.start();
  await expect(page.getByRole('button', { name: '1 unsent' })).toBeHidden();
  // The second step is done, the discarded one is asked for again.
  await expect(page.getByRole('heading', { name: 'Find the arrow.', exact: false })).toBeVisible();
});

test('a photograph taken without the server waits, is seen, and stands in the log afterwards', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/inspect`);
  await toStep(page, /Look for cracks, dents and corrosion/);
  await page.getByRole('button', { name: 'Findings' }).click();
  const sheet = page.getByRole('dialog', { name: 'Tap what you find' });
  await shop.stop('SIGKILL');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
    'base64',
  );
  const file = { name: 'spacer.png', mimeType: 'image/png', buffer: png };
  await sheet.getByLabel('Photo file: Bead, seat and rim').setInputFiles(file);
  await expect(
    sheet.getByRole('img', { name: 'Bead, seat and rim, photo 1, unsent' }),
  ).toBeVisible();
  await shop.start();
  await expect(
    sheet.getByRole('img', { name: 'Bead, seat and rim, photo 1', exact: true }),
  ).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(page.getByRole('link', { name: 'see it' })).toHaveAttribute(
    'href',
    /^\/api\/photos\/[0-9a-f]{64}$/,
  );
});
