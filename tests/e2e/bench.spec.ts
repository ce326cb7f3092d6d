import { confirmed, expect, expectAccessible, openAs, startJob, test, toStep } from './shop';

/** Goes to a step of a station by its words. */
test('bite by bite on the dial, by key, mirrored with the wheel; the school changed halfway changes the bites', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/tire-off`);
  await toStep(page, /Lever the first bead off/);
  await expect(page.getByText('Bite 1 of 22')).toBeVisible();
  await expect(page.getByText('70 mm, lever at 1:33 o’clock (47°)')).toBeVisible();
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await expect(page.getByText('Bite 3 of 22')).toBeVisible();
  await page.keyboard.press(',');
  await expect(page.getByText('Bite 2 of 22')).toBeVisible();
  await page.keyboard.press(',');
  await page.keyboard.press('t');
  await expect(page.getByText('70 mm, lever at 10:27 o’clock (313°)')).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog')).toContainText('(360 − 0) / 360 × π × 483');
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Methods' }).click();
  const ways = page.getByRole('dialog', { name: /Methods for this job/ });
  await expect(
    ways.getByText('levers off: start at 6:00 in place of 1:00, both ways', { exact: false }),
  ).toBeVisible();
  await ways.getByRole('button', { name: 'opposite the valve' }).click();
  await ways.getByRole('button', { name: 'left in' }).click();
  await expect(ways.getByRole('button', { name: 'at once' })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('img', { name: /start at 6 o’clock \(180°\)/ })).toBeVisible();
  await expect(
    page
      .getByRole('list', { name: 'Steps' })
      .getByText('Feel where the tube lies', { exact: false }),
  ).toBeVisible();
  // Undone, the job works as its shop does again.
  await page.keyboard.press('u');
  await expect(
    page
      .getByRole('list', { name: 'Steps' })
      .getByText('Feel where the tube lies', { exact: false }),
  ).toBeHidden();
});

test('runout is typed round the wheel, judged at once and kept; dull spokes are tapped', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/inspect`);
  await toStep(page, /Spin it: runout/);
  await page.getByRole('button', { name: 'Runout readings' }).click();
  const sheet = page.getByRole('dialog', { name: /Runout/ });
  await sheet.getByRole('button', { name: 'Save readings' }).click();
  await expect(sheet.getByText('There are no readings.', { exact: false })).toBeVisible();
  for (const [i, mm] of ['0', '0,99', '1.4', '0.99', '0', '-0.99', '-1.4', '-0.99'].entries())
    await sheet
      .getByRole('textbox', { name: /^Side,/ })
      .nth(i)
      .fill(mm);
  await expect(sheet.getByText('2.8 mm side to side, high at 3 o’clock (90°).')).toBeVisible();
  const nipples = sheet.getByRole('region', { name: 'Nipples' });
  const first = nipples.getByRole('row').nth(1);
  await expect(first).toContainText(
    /(loosen|tighten) (an eighth|a quarter|three eighths|half a turn)$/,
  );
  await expect(
    nipples.getByText(/^Target: from 2\.8 mm to (0|1)\.\d mm side to side\.$/),
  ).toBeVisible();
  const way = (await first.textContent())!.includes('loosen') ? 'tighten' : 'loosen';
  await nipples.getByLabel(/^Spoke 1/).selectOption('other side');
  await expect(first).toContainText(way);
  await nipples.getByLabel(/^Spoke 1/).selectOption('disc side');
  await expect(sheet.getByText('skilled job', { exact: false })).toBeVisible();
  await expectAccessible(page);
  // Emptied, the first place is read from the instrument: one tap once it stands still.
  await sheet
    .getByRole('textbox', { name: /^Side,/ })
    .first()
    .fill('');
  await sheet.getByRole('button', { name: 'Dial indicator' }).click();
  const indicator = sheet.getByRole('group', { name: 'Dial indicator' });
  await expect(indicator.getByText('steady')).toBeVisible();
  await expectAccessible(page);
  await indicator.getByRole('button', { name: /^Take it at 12 o’clock/ }).click();
  // 0.9 mm · cos 70°, give or take a hundredth.
  await expect(sheet.getByRole('textbox', { name: /^Side,/ }).first()).toHaveValue(
    /^0\.(29|3[0-3]?)$/,
  );
  await expect(indicator.getByRole('button', { name: 'All places read' })).toBeDisabled();
  await sheet
    .getByRole('textbox', { name: /^Side,/ })
    .first()
    .fill('0');
  // With gloves: the number pad knows minus.
  await sheet.getByRole('button', { name: 'Number keys for Up, 0°' }).click();
  await page.getByRole('button', { name: '2', exact: true }).last().click();
  await page.getByRole('button', { name: 'plus or minus' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).last().click();
  await expect(sheet.getByRole('textbox', { name: /^Up,/ }).first()).toHaveValue('-2');
  await sheet.getByRole('textbox', { name: /^Up,/ }).first().fill('round');
  await sheet.getByRole('button', { name: 'Save readings' }).click();
  await expect(sheet.getByText('Some readings aren’t lengths.', { exact: false })).toBeVisible();
  await sheet.getByRole('textbox', { name: /^Up,/ }).first().fill('');
  await sheet.getByRole('button', { name: 'Save readings' }).click();
  await expect(page.getByText('Runout saved.')).toBeVisible();
  // Turned: what was read before stands beside it, and the fields wait for what is read next.
  await nipples.getByRole('button', { name: 'Mark as turned' }).click();
  await expect(page.getByText('Turns saved. Measure again.')).toBeVisible();
  await expect(sheet.getByRole('textbox', { name: /^Side,/ }).nth(2)).toHaveValue('');
  for (const [i, mm] of ['0', '0,99', '1.4', '0.99', '0', '-0.99', '-1.4', '-0.99'].entries())
    await sheet
      .getByRole('textbox', { name: /^Side,/ })
      .nth(i)
      .fill(mm);
  await expect(nipples.getByText(/The rim moved 0% as far side to side/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Save readings' }).click();
  await expect(page.getByText('Runout saved.')).toBeVisible();
  await page.keyboard.press('Escape');

  await toStep(page, /Ring the spokes/);
  await page.getByRole('button', { name: 'Spoke sound' }).click();
  await page.getByRole('button', { name: '7', exact: true }).click();
  await expect(page.getByText('Spoke 7 is dull', { exact: false })).toBeVisible();
  await confirmed(page, () => page.getByRole('button', { name: 'Save' }).click());
  await page.goto(`${shop.url}/jobs/${id}/hand-over`);
  await expect(
    page.getByText('Inspect: 2.8 mm side to side, high at 3 o’clock (90°).'),
  ).toBeVisible();
  await expect(page.getByText('Inspect: Spoke 7 is dull', { exact: false })).toBeVisible();
  await page.goto(`${shop.url}/wheels/w-orrin-r`);
  await expect(page.getByText('2.8 mm side (', { exact: false })).toBeVisible();
});

test('trouble by one key: what is seen, checks in order, the one that cured it; the next job knows', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/tire-on`);
  await expect(page.getByText('Step 1 of 13')).toBeVisible();
  await page.keyboard.press('x');
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('heading', { name: 'Stop. What do you see?' })).toBeVisible();
  await sheet.getByRole('button', { name: 'The bite will not go' }).click();
  const checks = sheet.getByRole('list', { name: /Check these/ }).getByRole('listitem');
  await expect(checks.first()).toContainText('Push the bead opposite back down into the well.');
  await expect(sheet.getByText('More force is the wrong answer.', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'None of these' }).click();
  await expect(page.getByText('Trouble saved.')).toBeVisible();
  for (let i = 0; i < 3; i++) {
    await page.getByRole('button', { name: /^Trouble/ }).click();
    await sheet.getByRole('button', { name: 'The bite will not go' }).click();
    await sheet.getByRole('button', { name: /Fixed by: Warm the tire/ }).click();
    await expect(sheet).toBeHidden();
  }
  await page.goto(`${shop.url}/jobs/demo-job-22/tire-on`);
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  await page.keyboard.press('x');
  await sheet.getByRole('button', { name: 'The bite will not go' }).click();
  await expect(checks.filter({ hasText: 'Warm the tire.' })).toContainText(
    'Fixed it in this shop 3 times.',
  );
});

test('findings are tapped, judged at once, and stand at hand-over until they are corrected', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/inspect`);
  await toStep(page, /Look for cracks, dents and corrosion/);
  await page.getByRole('button', { name: 'Findings' }).click();
  const sheet = page.getByRole('dialog', { name: 'Tap what you find' });
  await sheet.getByRole('button', { name: 'Two slits side by side' }).click();
  await expect(sheet.getByText('Pinched: new tube', { exact: false })).toBeVisible();
  await sheet.getByRole('button', { name: 'Play', exact: true }).click();
  // A photograph of the bead; a file that is no picture is refused by a sentence.
  const file = sheet.getByLabel('Photo file: Bead, seat and rim');
  await file.setInputFiles({
    name: 'bead.png',
    mimeType: 'image/png',
    buffer: Buffer.from('not a picture'),
  });
  // On the sheet, or, where the server took its time, among the unsent entries.
  await expect(
    page.getByText('This picture can’t be saved.', { exact: false }).first(),
  ).toBeVisible();
  await file.setInputFiles({
    name: 'bead.png',
    mimeType: 'image/png',
    buffer: await page.screenshot(),
  });
  await expect(sheet.getByRole('img', { name: 'Bead, seat and rim, photo 1' })).toBeVisible();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Findings saved.')).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/hand-over`);
  await expect(page.getByText('Inspect: Play. New bearings before it rolls.')).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/inspect`);
  await toStep(page, /Look for cracks, dents and corrosion/);
  await page.getByRole('button', { name: 'Findings' }).click();
  await sheet.getByRole('button', { name: 'Play', exact: true }).click();
  await confirmed(page, () => sheet.getByRole('button', { name: 'Save' }).click());
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(page.getByText('Bearings and seals: nothing found')).toBeVisible();
  await expect(page.getByRole('link', { name: 'see it' })).toHaveAttribute(
    'href',
    /^\/api\/photos\/[0-9a-f]{64}$/,
  );
});
