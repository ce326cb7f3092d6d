import { confirmed, expect, openAs, startJob, test } from './shop';

test('what was confirmed survives a power cut, and the fitter goes on where the work stood', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Front wheel');
  await page.getByLabel('Tread depth, mm').fill('3');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Use this tire' }).click();
  await expect(page.getByText('Step 1 of')).toBeVisible();
  await confirmed(page, () => page.keyboard.press('n'));
  await expect(page.getByText('Step 2 of')).toBeVisible();

  await shop.stop('SIGKILL');
  await page.keyboard.press('n');
  await expect(page.getByText('Offline. Saved here', { exact: false })).toBeVisible();
  await expect(page.getByText('Step 3 of')).toBeVisible();
  await expect(page.getByRole('button', { name: '1 unsent' })).toBeVisible();
  await shop.start();
  await expect(page.getByRole('button', { name: '1 unsent' })).toBeHidden();
  await expect(page.getByText('Step 3 of')).toBeVisible();

  await shop.stop('SIGTERM');
  await shop.start();
  await page.goto(`${shop.url}/jobs/${id}`);
  await expect(page.getByText('Step 3 of')).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(
    page.getByText('Came off: 80/100-21 51M TT, tread 3.0 mm, general dirt'),
  ).toBeVisible();
});

test('a bad size is refused in a sentence, and nothing is half-saved', async ({ page, shop }) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  const size = page.getByLabel('Size, as printed on the sidewall');
  await size.fill('110/90-19 banana');
  await expect(
    page.getByText('It reads up to "110/90-19"; "BANANA" does not follow.', { exact: false }),
  ).toBeVisible();
  await page.getByLabel('Clearance, mm').fill('20');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(size).toHaveAttribute('aria-invalid', 'true');
  await expect(page).toHaveURL(/intake/);
  const { entries } = await (await page.request.get(`${shop.url}/api/jobs/${id}`)).json();
  expect(entries.map((e: { kind: string }) => e.kind)).toEqual(['opened', 'rules']);

  await size.fill('110/90-24');
  await expect(page.getByText('24 is not a rim diameter.', { exact: false })).toBeVisible();
  await size.fill('110/90-19');
  await page.getByLabel('Date code').fill('0023');
  await expect(page.getByText('There is no week 00.', { exact: false })).toBeVisible();
});

test('an entry that follows a log that moved on is refused, kept and written on demand', async ({
  page,
  shop,
}) => {
  // As a tablet that has not heard of it yet.
  await page.route('**/api/live', (route) => route.abort());
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  const before = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();
  const elsewhere = await page.request.post(`${shop.url}/api/jobs/demo-job-22/entries`, {
    data: {
      expectedSeq: before.job.lastSeq,
      entries: [
        {
          id: 'from-elsewhere',
          who: 'Osk Tarrow',
          station: 'tire-on',
          kind: 'note',
          data: { text: 'Tire is still cold.' },
        },
      ],
    },
  });
  expect(elsewhere.status()).toBe(201);

  await page.keyboard.press('n');
  await expect(page.getByText('Someone else changed this job.', { exact: false })).toBeVisible();
  await expect(page.getByText('Tire is still cold.').first()).toBeVisible();
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Done: Find the arrow. Check it three times.')).toBeVisible();
  await page.getByRole('button', { name: 'Send now' }).click();
  await expect(page.getByText('Step 2 of 9')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Send now' })).toBeHidden();
});

test('undo takes the last entry away and the log can put it back', async ({ page, shop }) => {
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText('Step 2 of 9')).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  await page.getByRole('link', { name: 'Log' }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByRole('button', { name: 'Restore' })).toBeHidden();
  await page.getByRole('link', { name: 'Back to the job' }).click();
  await expect(page.getByText('Step 2 of 9')).toBeVisible();
});
