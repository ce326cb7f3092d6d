import type { Browser, Page } from '@playwright/test';
import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { expect, expectAccessible, openAs, test, type TestShop } from './shop';

const OWNER = { who: 'Juna Birk', secret: 'basins fill one by one' };
const LEARNER = { who: 'Wil Penhallow', secret: '195270' };

/** Sets up the owner at the first screen, as they would. */
const turnOnSignIn = async (page: Page, shop: TestShop): Promise<void> => {
  await openAs(page, shop, '/people');
  await page.getByLabel('Passphrase, 12 characters or more').fill('too short');
  await page.getByRole('button', { name: 'Turn on sign-in' }).click();
  await expect(page.getByText('It has fewer than 12 characters.')).toBeVisible();
  await page.getByLabel('Passphrase, 12 characters or more').fill(OWNER.secret);
  await page.getByRole('button', { name: 'Turn on sign-in' }).click();
  await expect(page.getByRole('list', { name: 'People' })).toBeVisible();
};

/** A browser of its own, as a tablet has one. */
const tablet = async (browser: Browser, at: string): Promise<Page> => {
  const page = await (await browser.newContext()).newPage();
  page.on('pageerror', (error) => {
    throw error;
  });
  await page.goto(at);
  return page;
};

const comeIn = async (page: Page, { who, secret }: typeof OWNER): Promise<void> => {
  await page.getByRole('button', { name: who }).click();
  await page.getByLabel(`PIN or passphrase of ${who}`).fill(secret);
  await page.getByRole('button', { name: 'Sign in' }).click();
};

test('an owner sets up people; a learner works and is refused a rule', async ({
  page,
  shop,
  browser,
}) => {
  await turnOnSignIn(page, shop);
  await expectAccessible(page);
  await page.getByRole('button', { name: `Role and sign-in of ${LEARNER.who}` }).click();
  await page.getByLabel('Role', { exact: true }).selectOption('learner');
  await page.getByLabel('PIN or passphrase').fill('123456');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Its digits run in order.')).toBeVisible();
  await page.getByLabel('PIN or passphrase').fill(LEARNER.secret);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: LEARNER.who })).toHaveText(
    /learner$|learner\s*Role/,
  );

  const other = await tablet(browser, `${shop.url}/rules?find=tread`);
  await expect(other.getByRole('heading', { name: 'Who’s signing in?' })).toBeVisible();
  await expectAccessible(other);
  await comeIn(other, { ...LEARNER, secret: '195271' });
  await expect(other.getByText('Wrong PIN or passphrase.')).toBeVisible();
  for (const digit of LEARNER.secret)
    await other.getByRole('button', { name: digit, exact: true }).click();
  await other.getByRole('button', { name: 'Sign in' }).click();
  // The address that was asked for.
  await other.getByRole('button', { name: /^Road minimum tread/ }).click();
  await other.getByLabel('Reason for change').fill('I would like it so');
  await other.getByRole('button', { name: 'Change the rule' }).click();
  await expect(other.getByText(/can’t do this\. Ask an owner\./)).toBeVisible();
  // Who may not hand over is told so before, and the button waits for who may.
  await other.goto(`${shop.url}/jobs/demo-job-22/hand-over`);
  await expect(other.getByText('A fitter or owner hands over.', { exact: false })).toBeVisible();
  await expect(other.getByRole('button', { name: /^(Hand over|Release anyway)/ })).toBeDisabled();
  // A note at the bench stands in the learner's name.
  await other.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(
    other.getByRole('button', { name: 'Bench: Wil Penhallow, units and theme' }),
  ).toBeVisible();
  await other.context().close();
});

test('a second tablet comes in by a code, and is signed out from the first screen', async ({
  page,
  shop,
  browser,
}) => {
  await turnOnSignIn(page, shop);
  await page.keyboard.press('q');
  const code = page.getByRole('img', { name: 'Code to sign in a device' });
  await expect(code).toBeVisible();
  const { data, width, height } = PNG.sync.read(await code.screenshot({ scale: 'css' }));
  const link = jsQR(new Uint8ClampedArray(data), width, height)!.data;
  expect(link).toMatch(new RegExp(`^${shop.url}/come-in#[\\w-]{22}$`));

  const other = await tablet(browser, link);
  await expect(other.getByRole('heading', { name: 'Today' })).toBeVisible();
  expect(other.url()).toBe(`${shop.url}/`);
  // It was for one.
  const third = await tablet(browser, link);
  await expect(third.getByText('The code is used or expired.')).toBeVisible();
  await third.context().close();

  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: `Sign out ${OWNER.who}` }).click();
  await expect(page.getByRole('list', { name: 'Signed in' }).getByRole('listitem')).toHaveCount(1);
  // No one touches the other screen: it notices by itself.
  await expect(other.getByRole('heading', { name: 'Who’s signing in?' })).toBeVisible({
    timeout: 120_000,
  });
  await expect(page.getByRole('heading', { name: 'People' })).toBeVisible();
  await other.context().close();
});

test('a screen without a hand on it locks; somebody else goes on at it', async ({ page, shop }) => {
  await turnOnSignIn(page, shop);
  const wayIn = (name: string, data: object) =>
    page.request.put(`${shop.url}/api/people/${encodeURIComponent(name)}/way-in`, { data });
  expect((await wayIn('Osk Tarrow', { role: 'fitter', secret: '730418' })).status()).toBe(200);
  await page.clock.install();
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(page.getByRole('button', { name: /^Bench: Juna Birk/ })).toBeVisible();
  await page.clock.fastForward('19:00');
  await page.keyboard.press('Shift');
  await page.clock.fastForward('19:00');
  await expect(page.getByRole('button', { name: /^Bench: Juna Birk/ })).toBeVisible();
  await page.clock.fastForward('02:00');
  await expect(page.getByRole('heading', { name: 'Locked' })).toBeVisible();
  await expect
    .poll(async () => (await page.request.get(`${shop.url}/api/shop`)).status())
    .toBe(401);
  await page.getByRole('button', { name: 'Osk Tarrow' }).click();
  await page.getByLabel('PIN or passphrase of Osk Tarrow').fill('730418');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Bench: Osk Tarrow/ })).toBeVisible();
  expect(page.url()).toBe(`${shop.url}/jobs/demo-job-21/log`);
  // Signing out leaves nothing that this browser has seen.
  await page.getByRole('button', { name: /^Bench: Osk Tarrow/ }).click();
  const anew = page.waitForEvent('load');
  await page.getByRole('button', { name: 'Sign out' }).click();
  await anew;
  await expect(page.getByRole('heading', { name: 'Who’s signing in?' })).toBeVisible();
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<number>((done) => {
          const open = indexedDB.open('rimstone-seen');
          open.onsuccess = () => {
            const count = open.result.transaction('answers').objectStore('answers').count();
            count.onsuccess = () => done(count.result);
          };
        }),
    );
  await expect.poll(kept).toBe(0);
});
