import type { Page } from '@playwright/test';
import Database from 'better-sqlite3';
import sharp from 'sharp';
import { expect, expectAccessible, openAs, test, type TestShop } from './shop';

const OWNER = { who: 'Juna Birk', secret: 'basins fill one by one' };

/** Turns sign-in on and signs the owner in, over the page's own session. */
const signedIn = async (page: Page, shop: TestShop, path: string): Promise<void> => {
  const wayIn = `/api/people/${encodeURIComponent(OWNER.who)}/way-in`;
  const data = { role: 'owner', secret: OWNER.secret };
  expect((await page.request.put(shop.url + wayIn, { data })).status()).toBe(200);
  await openAs(page, shop, path);
  await page.getByLabel(`PIN or passphrase of ${OWNER.who}`).fill(OWNER.secret);
  await page.keyboard.press('Enter');
};

test('an owner adds a passkey, confirms a role by it, and signs in by it', async ({
  page,
  shop,
}) => {
  // Passkeys belong to a host name.
  shop.url = shop.url.replace('127.0.0.1', 'localhost');
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('WebAuthn.enable');
  await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await signedIn(page, shop, '/people');
  await page.getByRole('button', { name: 'Change my PIN' }).click();
  await page.getByLabel('Name of a new passkey').fill('bench computer');
  await page.getByRole('button', { name: 'Add passkey' }).click();
  await expect(page.getByText('bench computer')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Cancel' }).click();

  // Some time later a change of role asks again who it is; canceled, nothing changes.
  const db = new Database(shop.file);
  db.prepare('UPDATE sessions SET confirmed_at = NULL').run();
  db.close();
  await page.goto(`${shop.url}/people`);
  await page.getByRole('button', { name: 'Role and sign-in of Wil Penhallow' }).click();
  await page.getByLabel('Role', { exact: true }).selectOption('learner');
  await page.getByLabel('PIN or passphrase').fill('195270');
  await page.getByRole('button', { name: 'Save' }).click();
  const confirm = page.getByRole('dialog', { name: 'Confirm it’s you' });
  await expect(confirm).toBeVisible();
  await expectAccessible(page);
  await confirm.getByRole('button', { name: 'Use passkey' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Wil Penhallow' })).toHaveText(
    /learner$|learner\s*Role/,
  );

  // From an address that is no screen: a screen would load itself again once it is signed out.
  await page.goto(`${shop.url}/api/health`);
  await page.request.delete(`${shop.url}/api/session`);
  await page.goto(`${shop.url}/people`);
  await page.getByRole('button', { name: 'Use passkey' }).click();
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await page.goto(`${shop.url}/changes`);
  await expect(page.getByText('passkey added')).toBeVisible();
});

test.describe('a photo that this browser has seen', () => {
  test.use({ serviceWorkers: 'allow' });

  test('is not shown from its cache while the screen is locked', async ({ page, shop }) => {
    await signedIn(page, shop, '/jobs/demo-job-21/log');
    await expect(page.getByRole('button', { name: /^Bench: Juna Birk/ })).toBeVisible();
    const picture = await sharp({
      create: { width: 8, height: 8, channels: 3, background: '#567' },
    })
      .jpeg()
      .toBuffer();
    const sent = await page.request.post(`${shop.url}/api/photos`, {
      headers: { 'content-type': 'image/jpeg' },
      data: picture,
    });
    const path = `/api/photos/${((await sent.json()) as { photoId: string }).photoId}`;
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect(page.getByRole('button', { name: /^Bench: Juna Birk/ })).toBeVisible();
    const statusOf = () =>
      page.evaluate(async (p) => (await fetch(p, { cache: 'no-store' })).status, path);
    expect(await statusOf()).toBe(200);
    await expect
      .poll(() => page.evaluate(async (p) => Boolean(await caches.match(p)), path))
      .toBe(true);
    // From the cache, since the server does not answer.
    await shop.stop();
    await expect.poll(statusOf).toBe(200);
    await shop.start();
    await page.getByRole('button', { name: /^Bench: Juna Birk/ }).click();
    await page.getByRole('button', { name: 'Lock or switch' }).click();
    await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
    expect(await statusOf()).toBe(401);
    await page.getByLabel(`PIN or passphrase of ${OWNER.who}`).fill(OWNER.secret);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /^Bench: Juna Birk/ })).toBeVisible();
    await expect.poll(statusOf).toBe(200);
  });
});
