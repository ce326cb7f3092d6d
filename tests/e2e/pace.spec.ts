import type { Page } from '@playwright/test';
import { expect, expectAccessible, openAs, startJob, test, untilNow, type TestShop } from './shop';

/** Taps and keys that a fitter needs beside readings: what is typed, and what takes it. */
class Taps {
  /** What the screen asked for at each. */
  readonly said: string[] = [];
  constructor(private readonly page: Page) {}
  get count(): number {
    return this.said.length;
  }
  async key(key: string): Promise<void> {
    const strip = this.page.getByRole('group', { name: 'Current step' });
    const isOfStrip = key === 'd' && (await strip.count()) > 0;
    const now = isOfStrip ? strip : this.page.getByRole('heading', { level: 2 }).first();
    this.said.push(`${key}: ${(await now.allTextContents()).join()}`);
    await this.page.keyboard.press(key);
  }
  async press(name: string | RegExp): Promise<void> {
    this.said.push(String(name));
    await this.page.getByRole('button', { name }).first().click();
  }
}

const OFTEN = { intervals: [50] };

/** Scrolls to the end of a list that is logged at once: reading is not a tap. */
const readToTheEnd = async (page: Page): Promise<void> => {
  const last = page.getByRole('list', { name: 'Done as shown' }).getByRole('listitem').last();
  if ((await last.count()) === 0) return;
  await last.scrollIntoViewIfNeeded();
  await expect(page.getByText('Scroll to the last step, then tap.')).toBeHidden();
};

/** Presses one key until the station is left. */
const through = async (page: Page, taps: Taps, station: string): Promise<void> => {
  await expect(page).toHaveURL(new RegExp(`/${station}$`));
  await expect(page.getByText(/^Step \d+ of \d+$/)).toBeVisible();
  const now = page.getByRole('heading', { level: 2 }).first();
  for (let i = 0; i < 30 && page.url().endsWith(`/${station}`); i++) {
    const before = (await now.textContent())!;
    await readToTheEnd(page);
    await taps.key('n');
    await expect(async () => {
      if (page.url().endsWith(`/${station}`))
        expect(await now.allTextContents()).not.toEqual([before]);
    }).toPass(OFTEN);
  }
};

/** The strip of steps beside a reading. */
const strip = async (page: Page, taps: Taps): Promise<void> => {
  const step = page.getByRole('group', { name: 'Current step' });
  await expect(step.or(page.getByText(/steps at this station done/))).toBeVisible();
  for (let i = 0; i < 8 && (await step.count()) > 0; i++) {
    const before = await step.allTextContents();
    await taps.key('d');
    // Read at once: a strip that is gone is not waited for.
    await expect(async () => expect(await step.allTextContents()).not.toEqual(before)).toPass(
      OFTEN,
    );
  }
};

/** From intake to the rider's sheet; how many taps beside the readings. */
const wholeJob = async (page: Page, shop: TestShop, machine: string, wheel: string) => {
  const taps = new Taps(page);
  const id = await startJob(page, machine, wheel);
  await page.getByLabel('Date code').fill('1523');
  await page.getByRole('button', { name: 'Save' }).click();
  await taps.press('Use this tire');
  for (const station of ['wheel-off', 'tire-off', 'inspect', 'tire-on'])
    await through(page, taps, station);
  await page.getByRole('textbox', { name: 'Gauge reads' }).fill('30');
  await page.getByRole('button', { name: 'Use reading' }).click();
  await expect(page.getByRole('textbox', { name: 'Gauge reads' })).toHaveValue('');
  await strip(page, taps);
  // By station it goes on by itself, maybe with the strip of the next one done by then.
  await expect(
    page
      .getByRole('heading', { name: 'Both beads are seated.' })
      .or(page.getByText(/^Set .* in the shop\.$/)),
  ).toBeVisible();
  if (page.url().endsWith('/seat')) await taps.key('n');
  await strip(page, taps);
  await page.getByRole('textbox', { name: 'Gauge reading' }).fill('14');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page).toHaveURL(/balance$/);
  // The stand's own readings are readings; whether it was balanced is for another test.
  await page.goto(`${shop.url}/jobs/${id}/wheel-back`);
  await untilBack(page, taps);
  if (page.url().endsWith('/wheel-back')) await taps.key('n');
  await expect(page.getByRole('heading', { name: /safety checks? not on record/ })).toBeVisible();
  await taps.key('d');
  await taps.press('Save');
  await expect(page.getByRole('dialog')).toBeHidden();
  return taps;
};

/**
 * Wheel back: what no wrench covers is said by the fitter; how the brake feels and turns is a
 * reading.
 */
const untilBack = async (page: Page, taps: Taps): Promise<void> => {
  const now = page.getByRole('heading', { level: 2 }).first();
  const go = page
    .getByRole('button', {
      name: /^(Done|Torqued|Snug|All done as shown|All tightened|Second pass done|Next: hand over)/,
    })
    .first();
  await expect(now).toBeVisible();
  for (let i = 0; i < 40; i++) {
    const before = (await now.textContent())!;
    if (before === 'The wheel is on.' || !page.url().endsWith('/wheel-back')) return;
    if (before.startsWith('Pump the brake')) await feelBrake(page);
    else if (before.startsWith('Pull the wheel against its stops')) await measureChain(page);
    else if (await go.isDisabled()) await taps.press('Not verified');
    else {
      await readToTheEnd(page);
      await taps.key('n');
    }
    await expect(now).not.toHaveText(before);
  }
};

const measureChain = async (page: Page): Promise<void> => {
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('When').selectOption('after adjusting');
  await sheet.getByLabel(/^Slack at the tightest/).fill('52 55');
  for (const mark of ['Left mark', 'Right mark'])
    await sheet.getByRole('textbox', { name: mark }).fill('4');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
};

const feelBrake = async (page: Page): Promise<void> => {
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Lever or pedal').selectOption('firm');
  await sheet.getByLabel('The wheel').selectOption('turns freely');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
};

const choosePace = async (page: Page, pace: string): Promise<void> => {
  await page.getByRole('button', { name: /^Bench/ }).click();
  await page.getByLabel('Step mode for Juna Birk').selectOption(pace);
  await page.keyboard.press('Escape');
};

/** With it the shop has a wrench for every fastener: what none covers takes a tap of its own. */
const MIDDLE_WRENCH = {
  id: 'wr-middle',
  name: 'middle click wrench',
  minNm: 8,
  maxNm: 40,
  leverMm: 280,
};

/** Taps beside the readings that a whole wheel may take, step by step and by station. */
const MOST = {
  // Slack is read again once the axle is torqued, and it comes down: two taps for what was left out
  // before.
  'Orrindale, Rear wheel': { 'step by step': 75, 'by station': 32 },
  'Vellan, Rear wheel': { 'step by step': 65, 'by station': 30 },
} as const;

for (const [name, most] of Object.entries(MOST))
  for (const [pace, taps] of Object.entries(most))
    test(
      `${name}, ${pace}: from intake to the papers in at most ${taps} taps`,
      {
        // A job step by step is walked by other tests, and so is the other wheel.
        tag: name.startsWith('Orrin') || pace === 'step by step' ? '@long' : '@short',
      },
      async ({ page, shop }) => {
        page.setDefaultTimeout(90_000);
        const [machine, wheel] = name.split(', ') as [string, string];
        await openAs(page, shop, '/');
        await choosePace(page, pace);
        const answer = await page.request.post(`${shop.url}/api/records/wrenches`, {
          data: MIDDLE_WRENCH,
        });
        expect(answer.status()).toBe(201);
        const { count, said } = await wholeJob(page, shop, machine, wheel);
        console.log(`${name}, ${pace}: ${count} taps\n${said.join('\n')}`);
        expect(count).toBeLessThanOrEqual(taps);
      },
    );

test('plain steps are written at once, an exception is tapped out, and undo takes all of them back', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/');
  await choosePace(page, 'by station');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/wheel-off`);
  await expect(page.getByRole('heading', { name: '7 steps, as shown.' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the wheel out.' }).click();
  await expect(page.getByRole('heading', { name: '6 steps, as shown.' })).toBeVisible();
  await expectAccessible(page);
  await readToTheEnd(page);
  await page.keyboard.press('n');
  await expect(
    page.getByRole('heading', { name: 'Lift it and secure it on both sides.' }),
  ).toBeVisible();
  await untilNow(page, 'Take the wheel out.');
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(page.getByText(/^Done as shown: Let the exhaust cool\. Loosen/)).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/wheel-off`);
  await expect(page.getByRole('heading', { name: 'Take the wheel out.' })).toBeVisible();
  await page.keyboard.press('u');
  await expect(
    page.getByRole('heading', { name: 'Lift it and secure it on both sides.' }),
  ).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByRole('heading', { name: '7 steps, as shown.' })).toBeVisible();
});

test('the next step is read out where somebody wants it, and by default nothing is', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.defineProperty(window, 'said', { value: said });
    const voice = {
      cancel: () => undefined,
      speak: ({ text }: { text: string }) => void said.push(text),
    };
    Object.defineProperty(window, 'speechSynthesis', { value: voice });
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText(/^Step 1 of \d+$/)).toBeVisible();
  expect(await said()).toEqual([]);
  await page.getByRole('button', { name: /^Bench/ }).click();
  await page.getByLabel('Read aloud').selectOption('yes');
  await page.keyboard.press('Escape');
  await expect.poll(said).toEqual(['Find the arrow. Check it three times.']);
  await readToTheEnd(page);
  await page.keyboard.press('n');
  await expect.poll(said).toContain('Shake the new tire out, labels off. Warm a stiff one.');
});
