import type { Page } from '@playwright/test';
import { gzipSync } from 'node:zlib';
import { howMany } from '../case-count';
import { longTexts } from './long-texts';
import { smallLetters } from './small-letters';
import { expect, expectAccessible, openAs, test } from './shop';

/** Every main screen, in groups that run side by side. */
const SCREENS: Readonly<Record<string, readonly string[]>> = {
  shop: [
    '/',
    '/jobs',
    '/visits/demo-job-21',
    '/plan',
    '/orders',
    '/rechecks',
    '/changes',
    '/people',
    '/knows',
    '/jobs/new',
    '/machines/new',
    '/rules',
    '/records/tires',
    '/records/machines',
    '/records/wheels?edit=w-orrin-r',
    '/records/instruments',
  ],
  tools: [
    '/practice',
    '/practice?wheel=5',
    '/practice?kind=sidewall&level=a+full+rack&wheel=5',
    '/practice?kind=air&wheel=5',
    '/practice?kind=ring&wheel=5',
    '/practice?kind=leak&wheel=5',
    '/practice?kind=true&wheel=5',
    '/practice?kind=balance&wheel=5',
    '/instruments',
    '/bench/sizes?size=110/90-18&size=120/80-18&size=MT90B16&wheel=w-orrin-r',
    '/bench/sidewall',
    '/workings',
    '/workings/torque-wrench',
    '/workings/balance-advise',
    '/wheels/w-vellan-r',
    '/wheels/w-orrin-r/tag',
    '/wheels/w-quill-lr',
    '/wheels/w-quill-lr/pair',
  ],
  'the first stations': [
    '/jobs/demo-job-21/intake',
    '/jobs/demo-job-21/choose',
    '/jobs/demo-job-21/choose?show=parts',
    '/jobs/demo-job-21/choose?show=load',
    '/jobs/demo-job-21/choose?show=list',
    '/jobs/demo-job-21/choose?show=tools',
    '/jobs/demo-job-22/tire-on',
    '/jobs/demo-job-22/tire-on/bench',
    '/jobs/demo-job-31/tire-on',
    '/jobs/demo-job-32/tire-off',
  ],
  'the last stations': [
    '/jobs/demo-job-21/seat',
    '/jobs/demo-job-21/set',
    '/jobs/demo-job-21/balance',
    '/jobs/demo-job-21/wheel-back',
    '/jobs/demo-job-20/hand-over',
    '/jobs/demo-job-21/hand-over',
    '/jobs/demo-job-20/card',
    '/visits/demo-job-20/paper',
    '/jobs/demo-job-20/log',
  ],
};
/** How far a picture of a wheel reaches past its own column, in pixels; 0 without one. */
const pastColumn = (page: Page): Promise<number> =>
  page.getByRole('region', { name: 'The wheel' }).evaluateAll((columns) => {
    const past = columns.flatMap((column) => {
      const end = column.getBoundingClientRect().right;
      return [...column.querySelectorAll('*')].map(
        (part) => part.getBoundingClientRect().right - end,
      );
    });
    return Math.round(Math.max(0, ...past));
  });
const isStation = (path: string): boolean => /demo-job-[23]\d\/(?!card|log)/.test(path);

for (const [group, paths] of Object.entries(SCREENS))
  test(`${group}: accessible by day and by night, a station without scrolling, a phone without scrolling sideways, no failed request`, async ({
    page,
    shop,
  }) => {
    // A request that a screen makes and that fails shows in nothing but the browser's console.
    const failed: string[] = [];
    page.on('response', (r) => r.status() >= 400 && failed.push(`${r.status()} ${r.url()}`));
    await openAs(page, shop, '/');
    for (const [i, path] of paths.entries()) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(shop.url + path);
      await expect(page.getByRole('heading').first()).toBeVisible();
      await expect(page.getByRole('status').filter({ hasText: '…' })).toHaveCount(0);
      await expectAccessible(page);
      expect([path, await longTexts(page)]).toEqual([path, []]);
      // By night the same page has other colors, and nothing else: a third of them has them all.
      if (i % howMany(3, 1) === 0) {
        await page.evaluate(() => void document.documentElement.classList.add('dark'));
        await expectAccessible(page, ['color-contrast']);
      }
      if (isStation(path)) {
        // Words take their room once their face is there.
        const hidden = () =>
          page.evaluate(async () => {
            await document.fonts.ready;
            const main = document.querySelector('main')!;
            return main.scrollHeight - main.clientHeight;
          });
        await expect.poll(async () => `${path} ${await hidden()}`).toBe(`${path} 0`);
        expect([path, await smallLetters(page, 13)]).toEqual([path, []]);
        await page.setViewportSize({ width: 1024, height: 768 });
        await expect.poll(async () => `${path} ${await pastColumn(page)}`).toBe(`${path} 0`);
      }
      await page.setViewportSize({ width: 390, height: 844 });
      const wide = () =>
        page.evaluate(() => Math.max(0, document.documentElement.scrollWidth - window.innerWidth));
      await expect.poll(async () => `${path} ${await wide()}`).toBe(`${path} 0`);
      if (isStation(path)) expect([path, await smallLetters(page, 12)]).toEqual([path, []]);
      expect([path, await longTexts(page)]).toEqual([path, []]);
      expect([path, failed]).toEqual([path, []]);
    }
  });

test('the jobs list finds by machine, wheel, rider, size and date, and the search stands in the address', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs');
  await expect(page.getByText('24 jobs')).toBeVisible();
  const find = page.getByLabel(/^Find by/);
  await find.fill('tolling front');
  await expect(page.getByRole('link', { name: /Front wheel, Orrindale/ }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: /Rear wheel/ })).toHaveCount(0);
  await expect(page).toHaveURL(/search=tolling\+front/);
  await find.fill('180/55zr17');
  await expect(page.getByRole('link', { name: /Rear wheel, Vellan/ }).first()).toBeVisible();
  await find.fill('Machine not found');
  await expect(page.getByText('No jobs match. Try fewer words.')).toBeVisible();
  await find.fill('');
  const today = new Date().toISOString().slice(0, 10);
  await page.getByLabel('From').fill(today);
  await expect(page.getByText(/^[1-6] jobs?$|No jobs match/)).toBeVisible();
});

test('turning the wheel over mirrors the dial, and the keys are listed', async ({ page, shop }) => {
  await openAs(page, shop, '/jobs/demo-job-21/balance');
  await expect(page.getByRole('img', { name: /rim lock at 7 o’clock \(210°\)/ })).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByRole('img', { name: /rim lock at 5 o’clock \(150°\)/ })).toBeVisible();
  // Typed as seen from this side, kept as seen from the disc side; left is then right.
  await page.getByLabel('Do something else by hand').selectOption('settle');
  await page.getByLabel('Place at the bottom').fill('150°');
  await page.getByLabel('Released from').selectOption('left');
  await page.getByRole('button', { name: 'Use reading' }).click();
  await expect(page.getByText('settled at 5, from the left')).toBeVisible();
  await page.keyboard.press('t');
  await expect(page.getByText('settled at 7, from the right')).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys on this screen' })).toContainText(
    'Turn the wheel over',
  );
});

test('a rule changes with a name and a reason; a job already open keeps its own', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/rules');
  await page.getByLabel(/^Search \d+/).fill('ceiling seating');
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: /Shop ceiling for seating/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox', { name: /Shop ceiling/ }).fill('60');
  await dialog.getByLabel('Reason for change').fill('stiff tires');
  await dialog.getByRole('button', { name: 'Change the rule' }).click();
  await expect(dialog.getByText(/a number from 5\.0 psi to 50\.0 psi/)).toBeVisible();
  await dialog.getByRole('textbox', { name: /Shop ceiling/ }).fill('45');
  await dialog.getByRole('button', { name: 'Change the rule' }).click();
  await expect(page.getByText('Changed by Juna Birk: stiff tires', { exact: false })).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-20/seat`);
  await expect(page.getByText('40.0').first()).toBeVisible();
  await expect(page.getByRole('img', { name: /^Pressure .* never above 40\.0 psi/ })).toBeVisible();
});

test('a part that cannot be loaded leaves the rest of the screen standing', async ({
  page,
  shop,
}) => {
  await page.route('**/LeakChart*.js', (route) => route.abort());
  await openAs(page, shop, '/wheels/w-vellan-r');
  await expect(page.getByText('Chart didn’t load.', { exact: false })).toBeVisible();
  await expect(page.getByText(/A slow leak: \d/)).toBeVisible();
});

test('Back brings back the search, and a station has an address of its own', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/?search=vellan');
  await page.getByRole('link', { name: /1022/ }).click();
  await expect(page).toHaveURL(/tire-on$/);
  await page.getByRole('link', { name: /^Seat,/ }).click();
  await expect(page).toHaveURL(/seat$/);
  await page.goBack();
  await expect(page.getByRole('heading', { name: /Find the arrow/ })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel(/^Find by/)).toHaveValue('vellan');
  await page.goto(`${shop.url}/jobs/no-such/seat`);
  await expect(page.getByText('Job not found.')).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-22/kitchen`);
  await expect(page).toHaveURL(/tire-on$/);
  await page.goto(`${shop.url}/no/such/screen`);
  await expect(page.getByRole('heading', { name: 'Page not found' })).toBeVisible();
});

test('an empty shop takes its first fitter, machine, wheel and job', async ({ page, shop }) => {
  await shop.stop();
  const { rmSync } = await import('node:fs');
  for (const end of ['', '-wal', '-shm']) rmSync(shop.file + end, { force: true });
  await shop.start();
  await page.goto(shop.url);
  await expect(page.getByText('No machines in the shop. Check one in to start.')).toBeVisible();
  await page.getByRole('button', { name: /^Bench/ }).click();
  await page.getByLabel('New person').fill('Ada Marl');
  await page.getByRole('button', { name: 'Add' }).click();
  await expect(page.getByLabel('Who’s working')).toHaveValue('Ada Marl');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Check in a machine' }).click();
  await page.getByRole('link', { name: 'New machine' }).click();
  await page.getByLabel('Name').fill('Hob 250');
  await page.getByLabel('Rider', { exact: true }).fill('Ned Ash');
  await page.getByRole('button', { name: 'Save machine' }).click();
  await expect(page.getByRole('alert')).toContainText('Front wheel, tire');
  for (const [i, size] of ['80/100-21', '110/90-18'].entries()) {
    await page.getByLabel('Current tire').nth(i).fill(size);
    await page.getByLabel('Rim code').nth(i).fill('2.15x18');
  }
  await page.getByText('Rim locks, spokes, disc').nth(1).click();
  await page.getByLabel('Rim locks').nth(1).fill('7:00');
  await page.getByRole('button', { name: 'Save machine' }).click();
  await page.getByRole('button', { name: /Rear wheel 110\/90-18/ }).click();
  await expect(page.getByRole('heading', { name: 'What comes off?' })).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('No tube in stock fits this tire.')).toBeVisible();
});

/** Packed as the server packs it, in bytes. */
const MAX_SCRIPT = 200_000;
/** Less is not worth packing. */
const SMALL = 2000;

test('the first screen needs little script, and what goes over the line is packed', async ({
  page,
  shop,
}) => {
  const scripts: Promise<number>[] = [];
  page.on('response', (answer) => {
    if (answer.request().resourceType() !== 'script') return;
    scripts.push(
      answer.body().then((body) => {
        if (body.length > SMALL)
          expect(answer.headers()['content-encoding']).toMatch(/^(gzip|br)$/);
        return gzipSync(body).length;
      }),
    );
  });
  await openAs(page, shop, '/');
  await expect(page.getByRole('heading', { name: 'Today', level: 1 })).toBeVisible();
  const bytes = (await Promise.all(scripts)).reduce((sum, n) => sum + n, 0);
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThanOrEqual(MAX_SCRIPT);
});
