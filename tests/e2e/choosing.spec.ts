import { confirmed, expect, openAs, startJob, test } from './shop';

test('candidates are ranked with their reasons, and a refused one says why', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  await startJob(page, 'Orrindale', 'Rear wheel');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'It fits.' })).toBeVisible();
  const first = page.getByRole('radiogroup', { name: /^In stock, best first/ }).getByRole('radio');
  await expect(first.first()).toContainText('suits best');
  await expect(first.first()).toHaveAttribute('aria-checked', 'true');
  await page.getByRole('button', { name: /All 5 for this rim/ }).click();
  const shelf = page.getByRole('dialog');
  const onShelf = (text: string) =>
    shelf.getByRole('radio').filter({ hasText: text }).first().locator('..');
  await expect(shelf.getByRole('radio')).toHaveCount(5);
  await expect(onShelf('half-worn knobby')).toContainText('Take-off, 8.5 mm left');
  await page.keyboard.press('Escape');

  // A refusal stands before everything else, with the verdict.
  await page.getByLabel('New tire size').fill('150/70-17 69h tl');
  await expect(page.getByRole('heading', { name: 'Does not fit.' })).toBeVisible();
  await expect(page.getByText('A 17 inch tire does not go on a 19 inch rim.')).toBeVisible();
  await page.getByLabel('New tire size').fill('110/90-19 62I');
  await expect(page.getByText('I is not a speed symbol.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Use this tire' }).click();
  await expect(page).toHaveURL(/choose$/);
});

test('without a tube on unsealed spokes it is refused; the load, the list and the tools follow the choice', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Kestrow', 'Rear wheel');
  await page.getByLabel('Use').selectOption('road');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Check before fitting.' })).toBeVisible();
  await expect(
    page.getByText('a lower speed margin (unconfirmed)', { exact: false }),
  ).toBeVisible();

  await page.keyboard.press('2');
  await expect(page).toHaveURL(/show=parts/);
  await page.getByLabel('Tube', { exact: true }).selectOption('none');
  await expect(page.getByRole('heading', { name: 'Does not fit.' })).toBeVisible();
  await page.getByLabel('Tube', { exact: true }).selectOption('tube');
  await page.getByRole('button', { name: 'Check the old tube' }).click();
  const check = page.getByRole('dialog');
  await check.getByRole('textbox', { name: 'Age in years' }).fill('1');
  await expect(check.getByText('It does not keep its air.')).toBeVisible();
  for (const box of await check.getByRole('checkbox').all()) await box.check();
  await expect(
    check.getByText('this shop fits a new tube with every tire', { exact: false }),
  ).toBeVisible();
  await page.keyboard.press('Escape');

  // 107 kg machine + 95 · 0.6 + 80 · 0.85 + 60 · 0.8 = 280 kg on a tire for 335.
  await page.getByRole('tab', { name: 'Load' }).click();
  await page.getByRole('textbox', { name: /^Rider with gear/ }).fill('95');
  await page.getByRole('textbox', { name: /^Passenger/ }).fill('80');
  await page.getByRole('textbox', { name: /^Luggage/ }).fill('60');
  await page.getByRole('button', { name: 'Save load' }).click();
  await expect(page.getByRole('tabpanel').getByText('Load 280 kg, max 335 kg.')).toBeVisible();

  // 154.00 + 16.90 + 2.90 + 4.00, and 7.5% of it.
  await page.getByRole('tab', { name: 'List' }).click();
  await expect(page.getByRole('row', { name: /^Total/ })).toContainText('$191.14');
  await page.getByRole('tab', { name: 'Tools' }).click();
  await expect(page.getByText('No torque wrench covers', { exact: false }).first()).toBeHidden();
  await expect(page.getByText('wrench for the valve nut')).toBeVisible();
  await page.reload();
  await expect(
    page.getByText('things to lay out before the first bolt', { exact: false }),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Tire' }).click();
  await confirmed(page, () => page.getByRole('button', { name: 'Use this tire' }).click());
  await page.goto(`${shop.url}/jobs/${id}/card`);
  await expect(page.getByText('tube 130/80-18, 140/80-18, 150/70-18; rim strip')).toBeVisible();
});

test('the size bench draws what is typed on the room that was measured, and its address holds it', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/bench/sizes?size=130/90-16&size=130/80-16');
  const picture = page.getByRole('img', { name: /^To scale/ });
  await expect(picture.getByText('\u221226 mm tall')).toBeVisible();
  await expect(page.getByText('speedometer reads 4.2% high', { exact: false })).toBeVisible();
  await page.getByRole('textbox', { name: 'Above' }).fill('20');
  await expect(picture.getByText('33 mm clearance above', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Add size' }).click();
  // Typed quickly, key by key: no letter is lost while the address follows.
  await page.getByLabel('C, as printed').pressSequentially('MT90B16 m/c 72H tt');
  await expect(page.getByLabel('C, as printed')).toHaveValue('MT90B16 m/c 72H tt');
  await expect(picture.getByText('C 20 mm clearance above')).toBeVisible();
  await page.getByLabel('B, as printed').fill('130/8');
  await expect(page.getByText('does not start like a size', { exact: false })).toBeVisible();
  await page.getByLabel('B, as printed').fill('130/70-16');
  await page.reload();
  await expect(page.getByRole('img', { name: /130\/70-16: diameter \u221252 mm/ })).toBeVisible();
  await page.getByLabel('On the wheel').selectOption({ label: 'Vellan Strada 700, rear wheel' });
  await expect(page.getByLabel('A, current')).toHaveValue('180/55ZR17 73W TL');
  await expect(
    page.getByText('Clearance as last measured, with 180/55ZR17 73W TL on.'),
  ).toBeVisible();
  await page.getByLabel('A, current').fill('190/50ZR17');
  await expect(page.getByText('Measure again', { exact: false })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel('On the wheel')).toHaveValue('');
  await expect(page.getByLabel('B, as printed')).toHaveValue('130/70-16');
});

test('the sidewall reader explains every piece where it stands', async ({ page, shop }) => {
  await openAs(page, shop, '/bench/sidewall');
  await page.getByLabel('Sidewall marking').fill('120/70 zr 17 m/c (58w) tl');
  const pieces = page.getByRole('list', { name: 'Marking by part' }).getByRole('button');
  await expect(pieces).toHaveCount(7);
  await pieces.nth(1).focus();
  await expect(pieces.nth(1)).toHaveAttribute('aria-pressed', 'true');
  await expect(pieces.nth(1)).toContainText('A percentage of the width, not millimeters.');
  await page.getByLabel('Sidewall marking').fill('120/70 zr 17 plum');
  await expect(page.getByText('"PLUM" does not follow', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: '25x8-12 6PR NHS' }).click();
  await expect(page.getByText('Never on the road.').first()).toBeVisible();
});
