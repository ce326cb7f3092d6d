import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { expect, expectAccessible, openAs, test } from './shop';

test('a record is found, changed, archived and brought back; what does not fit is said at its field', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/records/tires');
  await expect(page.getByText('23 records')).toBeVisible();
  await page.getByLabel('Find in tires').fill('knobby 100/90');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('button', { name: '100/90-19 57M TT' }).click();
  const sheet = page.getByRole('dialog', { name: 'Tire' });
  await sheet.getByLabel('Size', { exact: true }).fill('100/90');
  await sheet.getByRole('textbox', { name: 'Price' }).fill('ten');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(sheet.getByText('"ten" is not a price', { exact: false })).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Price' }).fill('92,50');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(
    sheet.getByText('"100/90" stops before the rim diameter.', { exact: false }),
  ).toBeVisible();
  await sheet.getByLabel('Size', { exact: true }).fill('100/90-19 57M TT');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByRole('row').nth(1)).toContainText('$92.50');
  await page.getByRole('button', { name: '100/90-19 57M TT' }).click();
  await sheet.getByRole('button', { name: 'Archive' }).click();
  await expect(page.getByText('No matches. Try fewer words.')).toBeVisible();
  await page.getByLabel('Show archived').check();
  await page.getByRole('button', { name: '100/90-19 57M TT' }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByText('Tire restored.')).toBeVisible();
  await page.getByRole('button', { name: '100/90-19 57M TT' }).click();
  await sheet.getByRole('textbox', { name: 'Count' }).fill('8');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(
    page.getByRole('row').nth(1).getByRole('cell', { name: '8', exact: true }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last change' }).click();
  await expect(
    page.getByRole('row').nth(1).getByRole('cell', { name: '1', exact: true }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Price' }).click();
  await expect(page.getByRole('columnheader', { name: /Price/ })).toHaveAttribute(
    'aria-sort',
    'descending',
  );
});

test('a record opened right after a change is as it was written, however slow its reading', async ({
  page,
  shop,
}) => {
  await page.route(/\/api\/records\/tubes\/tube-1$/, async (route) => {
    if (route.request().method() === 'GET') await new Promise((done) => setTimeout(done, 800));
    await route.continue();
  });
  await openAs(page, shop, '/records/tubes?edit=tube-1');
  const sheet = page.getByRole('dialog', { name: 'Tube' });
  for (const count of ['7', '8', '9']) {
    await sheet.getByRole('textbox', { name: 'Count' }).fill(count);
    await sheet.getByRole('button', { name: 'Save changes' }).click();
    await expect(sheet).toHaveCount(0);
    await page.getByRole('row').nth(1).getByRole('button').click();
  }
  await expect(sheet.getByRole('textbox', { name: 'Count' })).toHaveValue('9');
});

test('what somebody else changed meanwhile is not overwritten', async ({ page, shop }) => {
  await openAs(page, shop, '/records/tubes?edit=tube-1');
  const sheet = page.getByRole('dialog', { name: 'Tube' });
  await expect(sheet.getByRole('textbox', { name: 'Count' })).toHaveValue('6');
  const { records } = (await (await page.request.get(`${shop.url}/api/records/tubes`)).json()) as {
    records: { id: string }[];
  };
  const tube = records.find((t) => t.id === 'tube-1')!;
  await page.request.put(`${shop.url}/api/records/tubes/tube-1`, { data: { ...tube, count: 2 } });
  await sheet.getByRole('textbox', { name: 'Count' }).fill('9');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(sheet.getByText('Someone else changed this', { exact: false })).toBeVisible();
});

test('a CSV file goes out and comes in, all of it or nothing', async ({ page, shop }) => {
  await openAs(page, shop, '/records/tubes');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export CSV' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('tubes.csv');
  const take = async (text: string) => {
    await page.getByRole('button', { name: 'Import CSV' }).click();
    await page
      .getByLabel(/^CSV file/)
      .setInputFiles({ name: 'delivery.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  };
  await take('label,count\n4.10-18,2\nbig,3\n2.50-17,many\n');
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByText('2 of 3 rows have errors; nothing was imported')).toBeVisible();
  await expect(sheet.getByRole('row', { name: /^3 / })).toContainText('"big" is not a tube label.');
  await expect(sheet.getByRole('button', { name: 'Import' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await take('label,count\n4.10-18,2\n2.50-17,5\n');
  await expect(sheet.getByText('2 added, 0 changed, 0 the same')).toBeVisible();
  await sheet.getByRole('button', { name: 'Import', exact: true }).click();
  await expect(page.getByRole('button', { name: '4.10-18' })).toBeVisible();
});

test(
  'a list of thousands comes in with a bar, can be stopped, and is then all there',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/records/tubes');
    const rows = Array.from({ length: 8000 }, (_, i) => `many-${i},${(i % 7) + 2}.50-17,1`);
    const csv = Buffer.from(`id,label,count\n${rows.join('\n')}\n`);
    await page.getByRole('button', { name: 'Import CSV' }).click();
    const sheet = page.getByRole('dialog');
    const choose = () =>
      sheet
        .getByLabel(/^CSV file/)
        .setInputFiles({ name: 'many.csv', mimeType: 'text/csv', buffer: csv });
    await choose();
    await expect(sheet.getByRole('progressbar')).toBeVisible();
    await expectAccessible(page);
    await sheet.getByRole('button', { name: 'Stop' }).click();
    await expect(sheet.getByRole('progressbar')).toHaveCount(0);
    await expect(sheet.getByRole('button', { name: 'Import' })).toBeDisabled();
    await choose();
    await expect(sheet.getByText('8000 added, 0 changed, 0 the same')).toBeVisible();
    await sheet.getByRole('button', { name: 'Import', exact: true }).click();
    await expect(page.getByText('many.csv imported: 8000 tubes added, 0 changed.')).toBeVisible();
    await expect(page.getByText(/^80\d\d records$/)).toBeVisible();
  },
);

test('the tag’s code opens the wheel, whose record is kept with what is measured', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/wheels/w-orrin-r/tag');
  const picture = PNG.sync.read(
    await page.getByRole('article', { name: 'The tag' }).screenshot({ scale: 'css' }),
  );
  const code = jsQR(new Uint8ClampedArray(picture.data), picture.width, picture.height);
  expect(code?.data).toBe(`${shop.url}/wheels/w-orrin-r`);
  await page.goto(code!.data);
  await expect(
    page.getByRole('heading', { name: 'Rear wheel, Orrindale Scree 450' }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /rim lock at 7 o’clock \(210°\)/ })).toBeVisible();
  await page.getByRole('button', { name: 'Change' }).click();
  const sheet = page.getByRole('dialog', { name: 'Wheel' });
  await sheet.getByRole('button', { name: 'Add measurement' }).nth(1).click();
  await sheet.getByRole('textbox', { name: 'Distance run' }).fill('0');
  await sheet.getByRole('textbox', { name: 'Depth' }).fill('12,5');
  await sheet.getByRole('button', { name: 'Save changes' }).click();
  await expect(page.getByText('One reading can’t show wear', { exact: false })).toBeVisible();
  await page.goto(`${shop.url}/wheels/w-vellan-r`);
  await expect(page.getByText(/About 2\d00 km left \(/)).toBeVisible();
  // A leak is found from the record, whatever the weather did to the readings.
  const standing = page.getByRole('region', { name: 'Standing pressure' });
  await expect(standing.getByText(/A slow leak: 1\.\d psi a week, at least/)).toBeVisible();
  await expect(
    standing.getByRole('img', {
      name: /^7 readings over 23 days, from .* corrected for temperature/,
    }),
  ).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Start a job' }).click();
  await expect(page.getByRole('heading', { name: 'What comes off?' })).toBeVisible();
  await page.goto(`${shop.url}/wheels/nobody`);
  await expect(page.getByText('Wheel not found.')).toBeVisible();
});

test('the tire that came off is kept as used stock with its depth and date code', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-20/hand-over');
  await page.getByRole('button', { name: 'Save as take-off' }).click();
  await page.getByRole('link', { name: 'The old tire is in stock' }).click();
  const sheet = page.getByRole('dialog', { name: 'Tire' });
  await expect(sheet.getByLabel('Take-off, used')).toHaveValue('yes');
  await expect(sheet.getByRole('textbox', { name: /^Depth of a take-off/ })).not.toHaveValue('');
  await expect(sheet.getByLabel('Date code')).toHaveValue(/^\d{4}$/);
});

test('a rider is forgotten from the record of the machine, by typing the name once more', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/records/machines');
  await page.getByRole('button', { name: /Orrindale Scree 450/ }).click();
  await page.getByRole('link', { name: 'Rider data' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Mara Tolling' })).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export data' }).click();
  expect((await saved).suggestedFilename()).toMatch(/^mara-tolling-rider-.*\.zip$/);
  await page.getByRole('button', { name: 'Erase rider name' }).click();
  const sheet = page.getByRole('dialog', { name: 'Erase Mara Tolling' });
  await sheet.getByLabel('Type the name again').fill('Mara');
  await sheet.getByRole('button', { name: 'Erase for good' }).click();
  await expect(sheet.getByText('Type the name as shown above: Mara Tolling')).toBeVisible();
  await expectAccessible(page);
  await sheet.getByLabel('Type the name again').fill('Mara Tolling');
  await sheet.getByRole('button', { name: 'Erase for good' }).click();
  await expect(
    sheet.getByText(/^Erased\. Records that held the name: 1\. Entries of logs: \d+/),
  ).toBeVisible();
  await sheet.getByRole('button', { name: 'Open the shop' }).click();
  await page.goto(`${shop.url}/jobs?search=orrindale`);
  await expect(page.getByText('forgotten rider').first()).toBeVisible();
  await expect(page.getByText('Mara Tolling')).toHaveCount(0);
});
