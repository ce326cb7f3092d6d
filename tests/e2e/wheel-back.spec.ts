import { expect, expectAccessible, openAs, test, untilNow } from './shop';

test('what no wrench of the shop covers: a borrowed one, and a head in line with its setting', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/demo-job-21/wheel-back');
  await untilNow(page, 'Next: rear axle nut.');
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'Next: caliper bolts.' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Torqued' })).toBeDisabled();

  await page.getByRole('button', { name: 'Extension or other wrench' }).click();
  const sheet = page.getByRole('dialog', { name: 'Extension or other wrench' });
  await sheet.getByRole('textbox', { name: 'Lowest setting' }).fill('40');
  await sheet.getByRole('textbox', { name: 'Highest setting' }).fill('10');
  await sheet.getByRole('button', { name: 'Use wrench' }).click();
  await expect(
    sheet.getByText('Borrowed wrench: enter its lowest setting and a higher highest setting.'),
  ).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Lowest setting' }).fill('10');
  await sheet.getByRole('textbox', { name: 'Highest setting' }).fill('60');
  await sheet.getByRole('textbox', { name: 'Drive to grip' }).fill('300');
  await sheet.getByRole('textbox', { name: 'Extension in line with the handle' }).fill('100');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Use wrench' }).click();
  await expect(sheet).toBeHidden();

  // 25 N·m with a head of 100 mm on a lever of 300 mm: 25 × 300 / 400 = 18.75 on the wrench.
  await expect(
    page.getByText('on the borrowed wrench, 10 N·m to 60 N·m', { exact: false }),
  ).toBeVisible();
  await expect(page.getByText('18.8')).toBeVisible();
  await page.getByRole('button', { name: 'Torqued' }).click();
  await expect(page.getByRole('heading', { name: 'Next: chain adjuster locknuts.' })).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(
    page.getByText(
      'caliper bolts: torqued 25 N·m, borrowed wrench, 10 N·m to 60 N·m, 100 mm extension',
    ),
  ).toBeVisible();
});

test('straight by a string along both wheels: judged as it is typed, and it does the step with the slack', async ({
  page,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/demo-job-21/wheel-back');
  await untilNow(
    page,
    'Pull the wheel against its stops, a rag between chain and sprocket. Check alignment and slack.',
  );
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Align by').selectOption('a string along both wheels');
  await sheet.getByRole('textbox', { name: 'Left gap, front' }).fill('20');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(
    sheet.getByText('String: enter all four gaps, the wheelbase', { exact: false }),
  ).toBeVisible();
  const gaps = {
    'Left gap, rear': '20',
    'Right gap, front': '2',
    'Right gap, rear': '2',
    Wheelbase: '1420',
  };
  for (const [name, mm] of Object.entries({ ...gaps, 'Adjuster spacing': '240' }))
    await sheet.getByRole('textbox', { name, exact: false }).first().fill(mm);
  // (20 − 2) / 2 = 9 mm aside at 1,420 mm is 9 × 240 / 1420 = 1.5 mm between the adjusters.
  await expect(sheet.getByText(/end is 1\.5 mm further back/)).toBeVisible();
  await sheet.getByLabel('When').selectOption('after adjusting');
  await sheet.getByLabel(/^Slack at the tightest/).fill('52 55');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Next: rear axle nut.' })).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Measured' }).getByRole('button', { name: /^string/ }),
  ).toBeVisible();
});

test('the pull at the tread says what the brake takes', async ({ page, shop }) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/demo-job-22/wheel-back');
  await untilNow(page, 'Pump the brake until it is firm.');
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Lever or pedal').selectOption('firm');
  await sheet.getByText('Spring scale at the tread').click();
  await sheet.getByRole('textbox', { name: 'Pull to turn it' }).fill('10');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(
    sheet.getByText('Spring scale: enter the pull and its distance', { exact: false }),
  ).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Axle to tread' }).fill('300');
  await sheet.getByRole('textbox', { name: 'Pull with pads apart' }).fill('4');
  // 10 N at 0.3 m is 3.0 N·m; 4 N of it is 1.2, so the brake takes 1.8.
  await expect(
    sheet.getByText('Drag torque 3.0 N·m, 1.8 N·m of it from the brake', { exact: false }),
  ).toBeVisible();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
  // The brake firm and the wheel spun, it comes down.
  await expect(page.getByRole('heading', { name: 'Lower it off its stands.' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'The wheel is on.' })).toBeVisible();
});
