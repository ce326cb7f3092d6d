import { readdirSync, readFileSync } from 'node:fs';
import { confirmed, expect, expectAccessible, openAs, test, TestShop } from './shop';

test('the shop is backed up by a key, goes on, and is put back as it was; what came since is kept in a file', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/backups');
  await expect(
    page.getByText('No backup yet. One runs every day.', { exact: false }),
  ).toBeVisible();
  await page.keyboard.press('b');
  const list = page.getByRole('list', { name: 'Backups' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expectAccessible(page);

  // The file itself, as it is saved, comes back in as one from elsewhere.
  const saved = page.waitForEvent('download');
  await list.getByRole('link', { name: /^Download / }).click();
  const file = await (await saved).path();
  await page
    .getByLabel('A backup from another computer')
    .setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: readFileSync(file) });
  await expect(list.getByText('added', { exact: true })).toBeVisible();
  await page
    .getByLabel('A backup from another computer')
    .setInputFiles({
      name: 'letter.zip',
      mimeType: 'application/zip',
      buffer: Buffer.from('Dear shop'),
    });
  await expect(page.getByRole('alert')).toContainText('It cannot be read');

  await page.goto(`${shop.url}/jobs/demo-job-21/inspect`);
  await expect(page.getByRole('heading', { level: 1, name: /wheel/ })).toBeVisible();
  const notes = page.getByText('Written after the backup.');
  await page.keyboard.press('m');
  await page.getByRole('dialog').getByRole('textbox').fill('Written after the backup.');
  await confirmed(page, () => page.getByRole('button', { name: 'Save note' }).click());

  await page.goto(`${shop.url}/backups`);
  await list.getByRole('button', { name: /Check by-hand/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Restore this backup' });
  await expect(sheet.getByText('1 would be gone')).toBeVisible();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Restore backup' }).click();
  await expect(sheet.getByText('Restored.', { exact: false })).toBeVisible();
  await sheet.getByRole('button', { name: 'Open the restored shop' }).click();
  await expect(page.getByText('Pimlet Hop 200').first()).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(notes).toHaveCount(0);
  expect(
    readdirSync(shop.dir).filter((f) => f.startsWith('shop.sqlite.before-restore')),
  ).toHaveLength(1);
});

test('a shop goes out into a file, and another takes it in after a look; a job of it likewise', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/backups');
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export shop' }).click();
  const whole = readFileSync(await (await saved).path());
  await page.goto(`${shop.url}/jobs/demo-job-22/log`);
  const savedJob = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export job' }).click();
  const one = readFileSync(await (await savedJob).path());

  const other = new TestShop();
  try {
    await other.start();
    await openAs(page, other, '/backups');
    const choose = async (buffer: Buffer) =>
      page
        .getByLabel('Shop or job file')
        .setInputFiles({ name: 'a.zip', mimeType: 'application/zip', buffer });
    await choose(Buffer.from('Dear shop'));
    await expect(page.getByRole('alert')).toContainText('It cannot be read');

    await choose(one);
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByRole('row', { name: /^jobs with their logs 1 0 0/ })).toBeVisible();
    await sheet.getByRole('button', { name: 'Cancel' }).click();
    await expect(sheet).toHaveCount(0);

    await choose(whole);
    await expect(sheet.getByRole('row', { name: /^jobs with their logs 24 0 0/ })).toBeVisible();
    await expectAccessible(page);
    await sheet.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(sheet.getByText('Imported.', { exact: false })).toBeVisible();
    await sheet.getByRole('button', { name: 'Open the shop' }).click();
    await expect(page.getByText('Pimlet Hop 200').first()).toBeVisible();
    await page.goto(`${other.url}/jobs/demo-job-21`);
    await expect(page.getByRole('heading', { level: 1, name: /wheel/ })).toBeVisible();

    await page.goto(`${other.url}/backups`);
    await choose(one);
    await expect(sheet.getByText('Everything in it is already here.')).toBeVisible();
  } finally {
    await other.stop();
  }
});
