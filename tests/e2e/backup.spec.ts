import { readdirSync, readFileSync } from 'node:fs';
import { confirmed, expect, expectAccessible, openAs, test } from './shop';

test('the shop is backed up by a key, goes on, and is put back as it was; what came since is kept in a file', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(20_000);
  await openAs(page, shop, '/backups');
  await expect(page.getByText('There is no backup yet.', { exact: false })).toBeVisible();
  await page.keyboard.press('b');
  const list = page.getByRole('list', { name: 'Backups' });
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expectAccessible(page);

  // The file itself, as it is saved, comes back in as one from elsewhere.
  const saved = page.waitForEvent('download');
  await list.getByRole('link', { name: /Save a copy/ }).click();
  const file = await (await saved).path();
  await page
    .getByLabel('A backup from elsewhere')
    .setInputFiles({ name: 'copy.zip', mimeType: 'application/zip', buffer: readFileSync(file) });
  await expect(list.getByText('brought in', { exact: true })).toBeVisible();
  await page
    .getByLabel('A backup from elsewhere')
    .setInputFiles({ name: 'letter.zip', mimeType: 'application/zip', buffer: Buffer.from('Dear shop') });
  await expect(page.getByRole('alert')).toContainText('It cannot be read');

  await page.goto(`${shop.url}/jobs/demo-job-21/inspect`);
  await expect(page.getByRole('heading', { level: 1, name: /wheel/ })).toBeVisible();
  const notes = page.getByText('Written after the backup.');
  await page.keyboard.press('m');
  await page.getByRole('dialog').getByRole('textbox').fill('Written after the backup.');
  await confirmed(page, () => page.getByRole('button', { name: 'Write the note' }).click());

  await page.goto(`${shop.url}/backups`);
  await list.getByRole('button', { name: /Look into by-hand/ }).click();
  const sheet = page.getByRole('dialog', { name: 'Restore this backup' });
  await expect(sheet.getByText('1 would be gone')).toBeVisible();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Put it in the place of this shop' }).click();
  await expect(sheet.getByText('Restored.', { exact: false })).toBeVisible();
  await sheet.getByRole('button', { name: 'To the restored shop' }).click();
  await expect(page.getByText('Pimlet Hop 200').first()).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(notes).toHaveCount(0);
  expect(readdirSync(shop.dir).filter((f) => f.startsWith('shop.sqlite.before-restore'))).toHaveLength(1);
});
