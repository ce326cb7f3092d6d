import { confirmed, expect, expectAccessible, openAs, test } from './shop';

test('a machine with two wheels comes in by keyboard, is promised, and two fitters work on it without blocking each other', async ({
  page,
  browser,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/');
  await expect(page.getByText('4 machines, 4 wheels.', { exact: false })).toBeVisible();
  await page.keyboard.press('n');
  await page.getByLabel('Machine or rider').fill('Vellan');
  await page.getByRole('button', { name: 'Pick wheels of Vellan Strada 700' }).press('Enter');
  const sheet = page.getByRole('dialog', { name: 'Check in Vellan Strada 700' });
  await expect(sheet.getByLabel('Work requested')).toBeFocused();
  await page.keyboard.type('both tires before the weekend');
  // No wheel, and a promise in the past, are sentences, and nothing is half-kept.
  for (const wheel of ['Front wheel', 'Rear wheel']) await sheet.getByLabel(wheel).uncheck();
  await sheet.getByRole('button', { name: 'Check in' }).click();
  await expect(sheet.getByRole('alert')).toContainText('No wheel selected');
  for (const wheel of ['Front wheel', 'Rear wheel']) await sheet.getByLabel(wheel).check();
  await sheet.getByLabel('Promised for').fill('2020-01-01');
  await sheet.getByLabel('At', { exact: true }).fill('15:30');
  await sheet.getByRole('button', { name: 'Check in' }).click();
  await expect(sheet.getByRole('alert')).toContainText('The promised time has passed.');
  const soon = new Date(Date.now() + 86_400_000);
  const day = `${soon.getFullYear()}-${String(soon.getMonth() + 1).padStart(2, '0')}-${String(soon.getDate()).padStart(2, '0')}`;
  await sheet.getByLabel('Promised for').fill(day);
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Check in' }).click();

  // The front wheel is at hand, the rear one a key away.
  await expect(page.getByRole('heading', { name: 'Front wheel, Vellan Strada 700' })).toBeVisible();
  await expect(
    page.getByRole('navigation', { name: 'Wheels of this visit' }).getByRole('link'),
  ).toHaveText(['RearV']);
  await page.keyboard.press('v');
  await expect(page.getByRole('heading', { name: 'Rear wheel, Vellan Strada 700' })).toBeVisible();
  const rear = page.url();
  // The key is there once its link is.
  await expect(
    page.getByRole('navigation', { name: 'Wheels of this visit' }).getByRole('link'),
  ).toHaveText(['FrontV']);
  await page.keyboard.press('v');
  await expect(page.getByRole('heading', { name: 'Front wheel, Vellan Strada 700' })).toBeVisible();

  const second = await browser.newContext();
  const other = await second.newPage();
  await openAs(other, shop, '/');
  await other.goto(rear);
  await Promise.all([
    confirmed(page, () => page.getByRole('button', { name: 'Save' }).click()),
    confirmed(other, () => other.getByRole('button', { name: 'Save' }).click()),
  ]);

  // Both stand in one row of the day, as far as each is.
  await page.goto(shop.url);
  const row = page.getByRole('listitem').filter({ hasText: 'both tires before the weekend' });
  await expect(row.getByText('tomorrow 3:30 PM, on time')).toBeVisible();
  await expect(row.getByRole('img', { name: 'at Choose' })).toHaveCount(2);
  await expectAccessible(page);

  // What it waits for is seen on the other bench, and goes again.
  await row.getByRole('link', { name: 'Vellan Strada 700' }).click();
  await page.getByRole('button', { name: 'Hold', exact: true }).click();
  await page.getByLabel('On hold for').fill('a valve stem');
  await page.getByRole('button', { name: 'Put on hold' }).click();
  await expect(page.getByText('on hold: a valve stem').first()).toBeVisible();
  await other.goto(shop.url);
  await expect(other.getByText('on hold: a valve stem')).toBeVisible();
  await page.getByRole('button', { name: 'Undo last entry' }).click();
  await expect(page.getByText('Undone: On hold for a valve stem')).toBeVisible();
  await expect(other.getByText('on hold: a valve stem')).toBeHidden({ timeout: 120_000 });

  // An amount that is none, then one that is agreed.
  await page.getByRole('button', { name: 'Approval' }).click();
  await page.getByLabel('Approved up to, USD').fill('-5');
  await page.getByRole('button', { name: 'Save approval' }).click();
  await expect(page.getByRole('alert')).toContainText('enter a price such as');
  await page.getByLabel('Approved up to, USD').fill('240.50');
  await page.getByRole('button', { name: 'Save approval' }).click();
  await expect(page.getByText(/Approved: .*240\.50.* by Petra Oakhollow/)).toBeVisible();
  await expect(
    page.getByRole('row', { name: 'Approved by Petra Oakhollow $240.50' }),
  ).toBeVisible();
  await expect(page.getByRole('row', { name: /^(More|Less) since then \$/ })).toBeVisible();
  await expectAccessible(page);

  // What both benches wrote is one sheet for the rider.
  await page.getByRole('link', { name: 'Rider sheet' }).click();
  await expect(page.getByText('Requested: both tires before the weekend')).toBeVisible();
  for (const wheel of ['Front wheel', 'Rear wheel']) {
    const part = page
      .locator('section')
      .filter({ has: page.getByRole('heading', { name: wheel }) });
    await expect(part.getByText('Came off')).toBeVisible();
  }
  await second.close();
});

test('the day on a phone: one column, the promise that is nearest first, nothing to scroll sideways', async ({
  page,
  shop,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openAs(page, shop, '/', 'night');
  const rows = page.getByRole('list', { name: 'Machines that are in' }).getByRole('heading');
  await expect(rows.first()).toHaveText('Vellan Strada 700');
  // The browser rounds a part of a pixel up.
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth))
    .toBeLessThanOrEqual(391);
  await expectAccessible(page);
});

test('a machine that was never here comes in by keyboard: only what the work needs now is asked', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/new');
  await page.getByRole('link', { name: 'New machine' }).press('Enter');
  await expect(page.getByLabel('Torque', { exact: true })).toBeHidden();
  await page.getByLabel('Name').fill('Cobble 125');
  await page.getByLabel('Rider', { exact: true }).fill('Tam Orchard');
  const wheel = (name: string) => page.getByRole('group', { name });
  await wheel('Front wheel').getByLabel('Rim code').fill('1.60x21');
  await wheel('Front wheel').getByLabel('Current tire').fill('80/100-21 51M TT');
  await wheel('Rear wheel').getByLabel('Rim code').fill('1.85x18');
  // A tire that is none is said, and nothing is half-kept.
  await wheel('Rear wheel').getByLabel('Current tire').fill('round and black');
  await page.getByRole('button', { name: 'Save machine' }).press('Enter');
  await expect(page.getByRole('alert')).toContainText('Rear wheel, tire:');
  await wheel('Rear wheel').getByLabel('Current tire').fill('100/100-18 59M TT');
  // A fault in what is folded opens it.
  await page.getByText('Rim locks, spokes, disc').nth(1).click();
  await wheel('Rear wheel').getByLabel('Spokes').fill('x');
  await page.getByText('Rim locks, spokes, disc').nth(1).click();
  await page.getByRole('button', { name: 'Save machine' }).press('Enter');
  await expect(wheel('Rear wheel').getByLabel('Spokes')).toBeVisible();
  await wheel('Rear wheel').getByLabel('Spokes').fill('32');
  await page.getByRole('button', { name: 'Save machine' }).press('Enter');

  // It is found at once, and comes in with both wheels.
  await page.getByRole('button', { name: 'Pick wheels of Cobble 125' }).press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Check in' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Front wheel, Cobble 125' })).toBeVisible();
});

test('a loose wheel over the counter is a visit too: nothing comes off and goes back, and it has its papers', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/new');
  await page.getByRole('link', { name: 'Loose wheel' }).click();
  await page.getByLabel('Rider', { exact: true }).fill('Bo Ferrow');
  await page.getByLabel('Current tire').fill('110/90-18');
  await page.getByLabel('Rim code').fill('2.15x18');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save wheel' }).click();
  await page.getByRole('button', { name: /Rear wheel 110\/90-18/ }).click();
  await expect(page.getByRole('heading', { name: 'What comes off?' })).toBeVisible();
  const job = page.url().replace(/intake$/, '');
  await page.goto(`${job}wheel-off`);
  await expect(page.getByText('Loose wheel: nothing to do here')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText(/^Step 1 of \d+$/)).toBeVisible();
  await page.goto(`${job}wheel-back`);
  await expect(page.getByRole('heading', { name: 'Loose wheel.' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Fasteners' }).getByRole('listitem')).toHaveCount(0);
  await page.goto(`${job}hand-over`);
  await expect(page.getByRole('heading', { name: '5 safety checks not on record.' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Test ride' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Rider sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Loose wheel' })).toBeVisible();
});
