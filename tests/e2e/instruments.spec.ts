import type { Page } from '@playwright/test';
import { expect, expectAccessible, openAs, startJob, test, untilNow, type TestShop } from './shop';

/** Tells a stand-in how it is held, as hands would. */
const hold = async (shop: TestShop, name: string, knobs: object, what = 'hold') => {
  const { status } = await fetch(`${shop.url}/api/devices/${encodeURIComponent(name)}/${what}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(knobs),
  });
  expect(status).toBe(204);
};
/** Near the limit of 40 psi and under it. */
const UNDER_LIMIT_KPA = 268;
const TANK_KPA = 800;
const livePsi = async (page: Page) => Number(await page.getByTestId('seat-now').textContent());

test(
  'a stubborn tire on the simulated hose: a try fails, air above the limit is refused, lubricated it seats',
  { tag: '@long' },
  async ({ page, shop }) => {
    test.setTimeout(180_000);
    await openAs(page, shop, '/');
    const id = await startJob(page, 'Orrindale', 'Rear wheel');
    await page.goto(`${shop.url}/jobs/${id}/seat`);
    const now = page.getByRole('heading', { level: 2 }).first();
    await hold(shop, 'hose gauge', {
      tire: '110/90-19 62M TT',
      fit: 'tight',
      beads: 'dry',
      regulatorKpa: UNDER_LIMIT_KPA,
      pace: 4,
    });
    await page.getByRole('button', { name: 'Simulated gauge' }).click();
    const hose = page.getByRole('group', { name: 'Simulated hose' });
    await expect(hose).toBeVisible();
    await expect(page.getByRole('button', { name: 'Use reading' })).toBeDisabled();

    // Dry, one bead lets go and the other does not, up to the limit.
    await hose.getByRole('button', { name: 'Air in' }).click();
    await expect(now).toHaveText('All air out. Try again.', { timeout: 120_000 });
    // Well into what is near the limit, so that the air that cools stays there for the few lines that
    // make it count.
    await expect.poll(() => livePsi(page), { timeout: 120_000 }).toBeGreaterThan(38.3);
    await hose.getByRole('button', { name: 'Hold' }).click();
    expect(await livePsi(page)).toBeLessThan(40);
    // What is to count has to hold for a few lines.
    await expect(page.getByText(/^steady · hose gauge/)).toBeVisible();
    await hold(shop, 'hose gauge', { pace: 8 });
    await hose.getByRole('button', { name: 'Core out' }).click();
    await hose.getByRole('button', { name: 'Air out' }).click();
    await expect.poll(() => livePsi(page), { timeout: 120_000 }).toBeLessThan(2);
    // Though the gauge is low again the try is over.
    await expect(now).toHaveText('All air out. Try again.');
    await page.keyboard.press('a');
    await expect(page.getByText('try 2 of 3')).toBeVisible();

    // Again dry, and this time no one stops at the limit: nothing more may go in, nor be taken.
    await hold(shop, 'hose gauge', { beads: 'dry', regulatorKpa: TANK_KPA });
    await hose.getByRole('button', { name: 'Air in' }).click();
    await expect(now).toHaveText('Stop. Let it all out.', { timeout: 120_000 });
    await expect(page.getByText('Above the limit.', { exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Use reading' })).toHaveCount(0);
    await hose.getByRole('button', { name: 'Air out' }).click();
    await expectAccessible(page);
    await expect.poll(() => livePsi(page), { timeout: 120_000 }).toBeLessThan(2);
    await page.keyboard.press('a');
    await expect(page.getByText('try 3 of 3')).toBeVisible();

    // Lubricated both let go below the limit.
    await hold(shop, 'hose gauge', { pace: 3, regulatorKpa: UNDER_LIMIT_KPA });
    await hose.getByRole('button', { name: 'Break, lubricate' }).click();
    await hose.getByRole('button', { name: 'Air in' }).click();
    for (const _bead of ['one', 'the other']) {
      await expect(page.getByRole('button', { name: 'A bead popped' })).toHaveText(/Pop heard!/, {
        timeout: 120_000,
      });
      await page.keyboard.press('p');
      await expect(page.getByRole('button', { name: 'A bead popped' })).not.toHaveText(
        /Pop heard!/,
      );
    }
    await expect(now).toHaveText('No more air. Check the molded line.');
    await hose.getByRole('button', { name: 'Hold' }).click();
    await page.getByLabel('Low at, other side').selectOption({ label: '4:30 o’clock (135°)' });
    await expect(
      page.getByText('The molded line is low at 4:30 o’clock (135°) on the other side', {
        exact: false,
      }),
    ).toBeVisible();
    // The air cools and the gauge falls a little: it may ask for a moment more.
    await expect(async () => {
      await expect(page.getByRole('button', { name: 'Use reading' })).toBeEnabled();
      await page.keyboard.press('r');
      await expect(page.getByText('not moved yet', { exact: false })).toBeVisible({
        timeout: 2000,
      });
    }).toPass({ timeout: 120_000 });
    for (const side of ['Disc side', 'Other side'])
      await page.getByRole('group', { name: side }).getByRole('button', { name: 'Seated' }).click();
    await expect(now).toHaveText('Both beads are seated.');
    await page.goto(`${shop.url}/jobs/${id}/log`);
    await expect(page.getByText(/^Pressure ([4-9]\d|\d{3})\.\d psi, by hose gauge$/)).toHaveCount(
      1,
    );
    await expect(page.getByText(/^A bead popped at .* psi, by hose gauge$/)).toHaveCount(2);
    await page.goto(`${shop.url}/jobs/${id}/hand-over`);
    await expect(
      page.getByText('Seat: A reading was above the seating limit', { exact: false }),
    ).toBeVisible();
  },
);

test('an instrument that freezes or talks nonsense is shown as such and fills no field; typing still works', async ({
  page,
  shop,
}) => {
  test.setTimeout(90_000);
  await openAs(page, shop, '/instruments');
  const gauge = page.getByRole('listitem', { name: 'hose gauge' });
  await expect(gauge.getByText('Live')).toBeVisible();
  await gauge.getByLabel('Simulate a fault').selectOption('freeze');
  await expect(gauge.getByText('It repeats the same reading', { exact: false })).toBeVisible();
  await gauge.getByLabel('Simulate a fault').selectOption('nonsense');
  await expect(gauge.getByText('Bad data')).toBeVisible();
  await page.getByRole('button', { name: 'Simulated instruments at stations' }).click();

  await page.goto(`${shop.url}/jobs/demo-job-22/seat`);
  await expect(page.getByText(/hose gauge: bad data/)).toBeVisible();
  await expect(page.getByTestId('seat-now')).toHaveText('–');
  await page.getByRole('textbox', { name: 'Gauge reads' }).fill('18');
  await page.getByRole('button', { name: 'Use reading' }).click();
  await expect(page.getByTestId('seat-now')).toHaveText('18.0');
  await hold(shop, 'hose gauge', { fails: 'noise' }, 'fail');
  await expect(page.getByText(/^moving · hose gauge/)).toBeVisible();
  // However often the noise shows another number, none of them may be taken.
  for (let i = 0; i < 8; i++) {
    const shown = (await page.getByTestId('seat-now').textContent())!;
    await expect(page.getByRole('button', { name: 'Use reading' })).toBeDisabled();
    await expect(page.getByTestId('seat-now')).not.toHaveText(shown);
  }
});

test('thermometer, two gauges and a wrench: readings with their instruments, and a click at the wrong torque ticks nothing', async ({
  page,
  shop,
}) => {
  test.setTimeout(90_000);
  await openAs(page, shop, '/jobs/demo-job-21/set');
  await hold(shop, 'tip thermometer', { tempC: 8 });
  await page.getByRole('button', { name: 'Shop temperature from the thermometer' }).click();
  await expect(page.getByRole('dialog').getByText('steady')).toBeVisible();
  await expect
    .poll(async () =>
      Number.parseFloat((await page.getByRole('dialog').locator('.num').first().textContent())!),
    )
    .toBeLessThan(8.3);
  await page.getByRole('dialog').getByRole('button', { name: 'Use reading' }).click();
  await expect(page.getByRole('textbox', { name: 'Shop, °C' })).toHaveValue('8');

  // Higher up the gauge reads more; a gauge that is known to read high is set higher.
  await page.getByRole('textbox', { name: 'Riding, °C' }).fill('8');
  await page.getByRole('textbox', { name: 'Riding elevation, m' }).fill('1500');
  await page.getByRole('textbox', { name: 'Riding pressure, psi' }).fill('14');
  await expect(page.getByRole('heading', { name: 'Set 11.6 psi in the shop.' })).toBeVisible();
  await page.getByLabel('Which gauge').selectOption('stick gauge');
  await expect(page.getByRole('heading', { name: 'Set 12.2 psi in the shop.' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Gauge reading, psi' }).fill('12.2');
  await page.getByRole('button', { name: 'A second gauge' }).click();
  await page.getByRole('combobox', { name: 'Second gauge' }).selectOption('hose gauge');
  await page.getByRole('textbox', { name: 'Second gauge reading' }).fill('13.5');
  await expect(page.getByText(/The gauges differ by 1\.\d psi/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Second gauge reading' }).fill('12');
  await expect(page.getByText('Both gauges agree.')).toBeVisible();
  await page.getByLabel('Ground').selectOption('rock');
  await expect(page.getByText('14.0', { exact: false }).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Riding pressure, psi' }).fill('6');
  await expect(page.getByRole('heading', { name: 'Too low.' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Riding pressure, psi' }).fill('14');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page).toHaveURL(/balance$/);
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(
    page.getByText(
      'Set to 12.2 psi, by stick gauge at 8 °C, 0 m up, for 14.0 psi at 8 °C, 1500 m up; hose gauge read 12.0 psi',
    ),
  ).toBeVisible();
  await expect(page.getByText('Ground: rock and roots')).toBeVisible();

  await page.goto(`${shop.url}/jobs/demo-job-21/wheel-back`);
  // The wheel goes in, step by step, before anything is tightened.
  await untilNow(page, 'Next: rear axle nut.');
  const nut = page.getByRole('listitem').filter({ hasText: 'rear axle nut' });
  const take = async (setNm: number) => {
    await hold(shop, 'long click wrench', { setNm, pulling: false });
    await page
      .getByRole('button', { name: 'Torque of rear axle nut from the torque wrench' })
      .click();
    await expect(page.getByRole('dialog').getByText('waits for the click')).toBeVisible();
    await page.getByRole('dialog').getByRole('button', { name: 'Pull' }).click();
    await expect(page.getByRole('dialog').getByText('clicked', { exact: true })).toBeVisible({
      timeout: 120_000,
    });
    await page.getByRole('dialog').getByRole('button', { name: 'Use reading' }).click();
  };
  await take(60);
  await expect(
    page.getByText(/Clicked at 6\d(\.\d)? N·m; manual says 1\d\d(\.\d)? N·m\. Set the wrench/),
  ).toBeVisible();
  await expect(nut.getByText('torqued', { exact: true })).toHaveCount(0);
  await take(103);
  await expect(nut.getByText('torqued', { exact: true })).toBeVisible();
});

test('the other school of ceiling: a name and a reason, and it stands in the log; an instrument of one’s own comes in by its lines', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-22/seat');
  await page.getByRole('button', { name: 'Raise limit' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('textbox', { name: 'Ceiling, psi' }).fill('52');
  await sheet.getByRole('button', { name: 'Raise limit' }).click();
  await expect(sheet.getByText('From 2.9 psi to 50.0 psi, never more.')).toBeVisible();
  await expect(sheet.getByText('Enter a reason.')).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Ceiling, psi' }).fill('50');
  await sheet.getByRole('textbox', { name: 'Why' }).fill('stiff safety hump');
  await sheet.getByRole('button', { name: 'Raise limit' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/50\.0 psi and no further/).first()).toBeVisible();
  const line = (value: number, i: number) =>
    JSON.stringify({
      device: 'own gauge',
      kind: 'gauge',
      value,
      unit: 'psi',
      at: new Date(Date.now() + i).toISOString(),
    });
  const post = (body: string) =>
    fetch(`${shop.url}/api/devices/lines`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-ndjson' },
      body,
    });
  await post(line(0, 0));
  await expect(page.getByText(/own gauge/)).toBeVisible({ timeout: 120_000 });
  for (let i = 1; i <= 12; i++) {
    await post(line(Math.min(21, i * 4), 0));
    await page.waitForTimeout(50);
  }
  await expect(page.getByTestId('seat-now')).toHaveText('21.0');
  await page.getByRole('button', { name: 'Use reading' }).click();
  // Within the program: a page that is left while it writes may not hear that it is written.
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByText('Pressure 21.0 psi, by own gauge')).toBeVisible();
  await expect(
    page.getByText('Seating ceiling raised to 50.0 psi by Juna Birk: stiff safety hump'),
  ).toBeVisible();
});
