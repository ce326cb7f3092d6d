import { confirmed, expect, expectAccessible, openAs, startJob, test } from './shop';

test('a part that is short is ordered and comes: the wheel waits for it by name; the price is agreed and asked again', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  // The shelf has no more stems than the wheels on the bench have already.
  const shopNow = (await (await page.request.get(`${shop.url}/api/shop`)).json()) as {
    valves: { id: string; count: number }[];
    reserved: { stockId: string; count: number }[];
  };
  for (const valve of shopNow.valves) {
    const count = shopNow.reserved
      .filter((r) => r.stockId === valve.id)
      .reduce((n, r) => n + r.count, 0);
    await page.request.put(`${shop.url}/api/records/valves/${valve.id}`, {
      data: { ...valve, count },
    });
  }

  await openAs(page, shop, '/');
  const id = await startJob(page, 'Vellan', 'Front wheel');
  await confirmed(page, () => page.getByRole('button', { name: 'Save' }).click());
  await page.goto(`${shop.url}/jobs/${id}/choose`);
  await confirmed(page, () => page.getByRole('button', { name: 'Use this tire' }).click());
  await page.goto(shop.url);
  const row = page.getByRole('listitem').filter({ hasText: 'valve stem, new' });
  await expect(row.getByText('on hold: valve stem, new, not ordered yet')).toBeVisible();
  await page.getByRole('link', { name: /1 part to order, 1 on order/ }).click();

  const short = page.getByRole('list', { name: 'To order' }).getByRole('listitem');
  await expect(short).toHaveCount(1);
  await expect(short).toContainText('Vellan Strada 700, front wheel');
  await short.getByLabel('Supplier').fill('Gravel Lane Fasteners');
  await expectAccessible(page);
  await short.getByRole('button', { name: 'Mark ordered' }).press('Enter');
  await expect(page.getByText('Nothing to order', { exact: false })).toBeVisible();
  const way = page
    .getByRole('list', { name: 'On order' })
    .getByRole('listitem')
    .filter({ hasText: 'valve stem' });
  await expect(way).toContainText('Gravel Lane Fasteners');
  await page.goto(shop.url);
  await expect(row.getByText('on hold: valve stem, new, ordered')).toBeVisible();
  await page.goto(`${shop.url}/orders`);
  await way.getByRole('button', { name: 'Received' }).press('Enter');
  await expect(way).toHaveCount(0);
  await page.goto(shop.url);
  await expect(row).toHaveCount(0);

  // What it costs is agreed with one tap; a dearer rate asks again.
  await page.goto(`${shop.url}/visits/${id}`);
  const cost = page.getByRole('region', { name: 'Estimate' });
  await cost.getByRole('button', { name: /Record OK: \$/ }).click();
  await expect(
    page.getByRole('region', { name: 'Visit log' }).getByText(/^Approved: \$/),
  ).toBeVisible();
  await expect(cost.getByText('Get the rider’s OK', { exact: false })).toHaveCount(0);
  await page.request.put(`${shop.url}/api/rules/labour.castMinor`, {
    data: { value: 14_400, note: '', who: 'Juna Birk', reason: 'a stiff one' },
  });
  await page.reload();
  await expect(
    cost.getByText(/is over the approved .*Get the rider’s OK before going on/),
  ).toBeVisible();
  await expectAccessible(page);
});
