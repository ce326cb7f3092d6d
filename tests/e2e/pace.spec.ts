import type { Page } from '@playwright/test';
import { expect, expectAccessible, openAs, startJob, test, untilNow, type TestShop } from './shop';

/** Taps and keys that a fitter needs beside readings: what is typed, and what takes it. */
class Taps {
  count = 0;
  constructor(private readonly page: Page) {}
  async key(key: string): Promise<void> {
    this.count++;
    await this.page.keyboard.press(key);
  }
  async press(name: string | RegExp): Promise<void> {
    this.count++;
    await this.page.getByRole('button', { name }).first().click();
  }
}

/** Presses one key until the station is left. */
const through = async (page: Page, taps: Taps, station: string): Promise<void> => {
  await expect(page).toHaveURL(new RegExp(`/${station}$`));
  const now = page.getByRole('heading', { level: 2 }).first();
  for (let i = 0; i < 30 && page.url().endsWith(`/${station}`); i++) {
    const before = (await now.textContent())!;
    await taps.key('n');
    await expect(async () => {
      if (page.url().endsWith(`/${station}`)) expect(await now.textContent()).not.toBe(before);
    }).toPass();
  }
};

/** The strip of steps beside a reading. */
const strip = async (page: Page, taps: Taps): Promise<void> => {
  const step = page.getByRole('group', { name: 'Step at hand' });
  for (let i = 0; i < 8 && (await step.count()) > 0; i++) {
    const before = await step.textContent();
    await taps.key('d');
    await expect(async () => {
      if ((await step.count()) > 0) expect(await step.textContent()).not.toBe(before);
    }).toPass();
  }
};

/** From intake to the rider's sheet; how many taps beside the readings. */
const wholeJob = async (page: Page, shop: TestShop, machine: string, wheel: string, sides: string[]) => {
  const taps = new Taps(page);
  const id = await startJob(page, machine, wheel);
  await taps.press('Write it down');
  await taps.press('Take this tire');
  for (const station of ['wheel-off', 'tire-off', 'inspect', 'tire-on']) await through(page, taps, station);
  await page.getByRole('textbox', { name: 'Gauge reads' }).fill('30');
  await page.getByRole('button', { name: 'Take it' }).click();
  await strip(page, taps);
  for (const side of sides) {
    taps.count++;
    await page.getByRole('group', { name: side }).getByRole('button', { name: 'Seated' }).click();
  }
  await taps.key('n');
  await page.getByRole('textbox', { name: 'Gauge reads now' }).fill('14');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page).toHaveURL(/balance$/);
  await page.goto(`${shop.url}/jobs/${id}/set`);
  await strip(page, taps);
  // The stand's own readings are readings; whether it was balanced is for another test.
  await page.goto(`${shop.url}/jobs/${id}/wheel-back`);
  await untilStuckOrDone(page, taps);
  await taps.key('n');
  await expect(page.getByRole('heading', { name: /safety points? not proved/ })).toBeVisible();
  await taps.key('d');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  return taps;
};

/** Wheel back: what no wrench covers is said by the fitter. */
const untilStuckOrDone = async (page: Page, taps: Taps): Promise<void> => {
  const now = page.getByRole('heading', { level: 2 }).first();
  const go = page
    .getByRole('button', { name: /^(Done|Torqued|Snug|All as shown|All clicked again|On to hand-over)/ })
    .first();
  await expect(now).toBeVisible();
  for (let i = 0; i < 40 && (await now.textContent()) !== 'The wheel is back.'; i++) {
    const before = (await now.textContent())!;
    if (await go.isDisabled()) await taps.press('A guess');
    else await taps.key('n');
    await expect(now).not.toHaveText(before);
  }
};

const choosePace = async (page: Page, pace: string): Promise<void> => {
  await page.getByRole('button', { name: /^Bench/ }).click();
  await page.getByLabel('Pace of Juna Birk').selectOption(pace);
  await page.keyboard.press('Escape');
};

for (const [machine, wheel, sides] of [
  ['Orrindale', 'Rear wheel', ['Disc side', 'Other side']],
  ['Vellan', 'Rear wheel', ['Disc side', 'Other side']],
] as const)
  test(`at both paces: ${machine}, ${wheel.toLowerCase()}, from intake to the papers`, async ({ page, shop }) => {
    page.setDefaultTimeout(20_000);
    await openAs(page, shop, '/');
    const slow = await wholeJob(page, shop, machine, wheel, [...sides]);
    await page.goto(shop.url);
    await choosePace(page, 'by station');
    const fast = await wholeJob(page, shop, machine, wheel, [...sides]);
    console.log(`${machine}, ${wheel}: ${slow.count} taps step by step, ${fast.count} by station`);
    test.info().annotations.push({ type: 'taps', description: `${slow.count} and ${fast.count}` });
    expect(fast.count).toBeLessThan(slow.count * 0.75);
  });

test('plain steps are written at once, an exception is tapped out, and undo takes all of them back', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(20_000);
  await openAs(page, shop, '/');
  await choosePace(page, 'by station');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/wheel-off`);
  await expect(page.getByRole('heading', { name: '4 steps, as shown.' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the wheel out.' }).click();
  await expect(page.getByRole('heading', { name: '3 steps, as shown.' })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'Lift it and secure it on both sides.' })).toBeVisible();
  await untilNow(page, 'Take the wheel out.');
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(page.getByText(/^Done as shown: Let the exhaust cool\. Loosen/)).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/wheel-off`);
  await expect(page.getByRole('heading', { name: 'Take the wheel out.' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('heading', { name: 'Unbolt the caliper and hang it on a wire.' })).toBeVisible();
});

test('the next step is read out where somebody wants it, and by default nothing is', async ({ page, shop }) => {
  page.setDefaultTimeout(20_000);
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.defineProperty(window, 'said', { value: said });
    const voice = { cancel: () => undefined, speak: ({ text }: { text: string }) => void said.push(text) };
    Object.defineProperty(window, 'speechSynthesis', { value: voice });
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText(/^Step 1 of \d+$/)).toBeVisible();
  expect(await said()).toEqual([]);
  await page.getByRole('button', { name: /^Bench/ }).click();
  await page.getByLabel('Read out').selectOption('yes');
  await page.keyboard.press('Escape');
  await expect.poll(said).toEqual(['Find the arrow. Check it three times.']);
  await page.keyboard.press('n');
  await expect.poll(said).toContain('Shake the new tire out, labels off. Warm a stiff one.');
});
