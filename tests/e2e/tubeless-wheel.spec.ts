import { expect, openAs, startJob, test, tickAll } from './shop';

test(
  'a tubeless cast wheel has no tube, lock or spoke steps and takes its placard pressure',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/');
    await startJob(page, 'Vellan', 'Rear wheel');
    await page.getByLabel('Tread depth, mm').fill('1');
    await expect(page.getByText('below road minimum')).toBeVisible();
    await page.getByRole('button', { name: 'Save' }).click();

    await page.getByRole('button', { name: /for this rim/ }).click();
    await page
      .getByRole('dialog')
      .getByRole('radio', { name: /190\/50ZR17 73W TL/ })
      .click();
    await expect(page.getByText(/7\.[67] years old/)).toBeVisible();
    await expect(page.getByText('+10 mm wide')).toBeVisible();
    await page.getByRole('radio', { name: /^1.*180\/55ZR17 73W TL/ }).click();
    await page.getByRole('tab', { name: 'Parts' }).click();
    await expect(page.getByLabel('Which tube')).toBeHidden();
    await expect(page.getByText('A new snap-in stem', { exact: false })).toBeVisible();
    await page.getByRole('tab', { name: 'Tire' }).click();
    await page.getByRole('button', { name: 'Use this tire' }).click();
    await tickAll(page, 'wheel-off');
    await tickAll(page, 'tire-off');
    await expect(page).toHaveURL(/inspect$/);
    const steps = page.getByRole('list', { name: 'Steps' });
    await page.getByRole('button', { name: 'All 5 steps' }).click();
    await expect(steps.getByText('New valve stem in, core in it.')).toBeVisible();
    await expect(steps.getByText(/spokes|tube|rim lock/i)).toHaveCount(0);
    await tickAll(page, 'inspect');
    await tickAll(page, 'tire-on');

    // The sidewall says 50 psi: the shop's ceiling of 40 binds.
    await expect(page.getByText('Air in, up to 40.0 psi and no further.')).toBeVisible();
    await page.getByRole('textbox', { name: 'Gauge reads' }).fill('41');
    await page.getByRole('button', { name: 'Use reading' }).click();
    await expect(page.getByRole('heading', { name: 'Stop. Let it all out.' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('heading', { name: /Stop/ }).click();
    await page.keyboard.press('u');
    await expect(page.getByText('Undone: Pressure 41.0 psi')).toBeVisible();
    await expect(page.getByText('Air in, up to 40.0 psi and no further.')).toBeVisible();

    await page.getByRole('link', { name: /^Pressure,/ }).click();
    await expect(page.getByRole('heading', { name: 'Set 36.0 psi in the shop.' })).toBeVisible();
    await page.keyboard.press('w');
    await expect(page.getByRole('dialog')).toContainText('ideal gas law at constant volume');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /^Balance,/ }).click();
    // Stuck to the face of a cast wheel: with the heavy spot known, pieces lie side by side and clear
    // of the spokes.
    await page.getByLabel('Do something else by hand').selectOption('machine');
    await page.getByRole('textbox', { name: 'Heavy by, g' }).fill('40');
    await page.getByLabel('Heavy at').fill('200°');
    await page.getByRole('button', { name: 'Use reading' }).click();
    await expect(
      page.getByRole('heading', { name: /^Put on (\d+ g( \+ \d+ g)* at [\d:]+(, )?)+\.$/ }),
    ).toBeVisible();
    // On, and spun again: the machine has the last word.
    await page.getByRole('button', { name: 'Weights are on' }).click();
    await expect(
      page.getByRole('heading', { name: 'Spin it again. What does it say?' }),
    ).toBeVisible();
    await page.getByRole('textbox', { name: 'Heavy by, g' }).fill('1');
    await page.getByLabel('Heavy at').fill('90°');
    await page.getByRole('button', { name: 'Use reading' }).click();
    await expect(page.getByRole('heading', { name: 'Balanced.' })).toBeVisible();
  },
);
