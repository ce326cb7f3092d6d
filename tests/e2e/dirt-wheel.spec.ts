import { balanceAsAdvised } from './hidden-wheel';
import {
  expectAccessible,
  handOverAllTheSame,
  untilNow,
  expect,
  startJob,
  test,
  tickAll,
  openAs,
} from './shop';

test('a dirt rear wheel with tube and rim lock goes from intake to its job card', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');

  // Intake
  await page.getByLabel('Date code').fill('1523');
  await page.getByLabel('Tread depth, mm').fill('2,5');
  await page.getByLabel('Clearance, mm').fill('24');
  await expect(page.getByText(/week 15 of 2023/)).toBeVisible();
  await page.getByRole('button', { name: 'Save' }).click();

  // Choose: a lower tire gains 9 mm of sidewall room over 110/90-19 (110 * 0.90 = 99; 100 * 0.90 =
  // 90).
  await expect(page.getByRole('heading', { name: 'It fits.' })).toBeVisible();
  await page.getByRole('button', { name: /for this rim/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('radio', { name: /100\/90-19 57M TT/ })
    .click();
  const picture = page.getByRole('img', { name: /^To scale/ });
  await expect(picture.getByText('\u22129 mm sidewall')).toBeVisible();
  await expect(picture.getByText('33 mm clearance above', { exact: true })).toBeVisible();
  await page.getByRole('tab', { name: 'Parts' }).click();
  await expect(page.getByLabel('Which tube')).toContainText('100/90-19, 110/90-19, 120/80-19');
  await expect(
    page.getByText('With a tube below 15.0 psi, use one', { exact: false }),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Tire' }).click();
  await page.getByRole('radio', { name: /^1.*110\/90-19 62M TT/ }).click();
  await page.getByRole('button', { name: 'Use this tire' }).click();

  // The hands-on stations, by key alone
  expect(await tickAll(page, 'wheel-off')).toBe(10);
  expect(await tickAll(page, 'tire-off')).toBe(8);
  expect(await tickAll(page, 'inspect')).toBe(7);
  expect(await tickAll(page, 'tire-on')).toBe(13);

  // Seat: the sidewall's 38 psi binds, not the shop's 40.
  await expect(page.getByText('Air in, up to 38.0 psi and no further.')).toBeVisible();
  for (const reading of ['20', '31']) {
    await page.getByRole('textbox', { name: 'Gauge reads' }).fill(reading);
    await page.getByRole('button', { name: 'Use reading' }).click();
    await expect(page.getByRole('textbox', { name: 'Gauge reads' })).toHaveValue('');
  }
  for (const side of ['Disc side', 'Other side'])
    await page.getByRole('group', { name: side }).getByRole('button', { name: 'Seated' }).click();
  await expect(page.getByRole('heading', { name: 'Both beads are seated.' })).toBeVisible();
  await page.keyboard.press('n');

  // Set: 13 psi at 5 °C is 14.9 psi in a shop at 25 °C (gas law).
  await page.getByLabel('Shop, °C').fill('25');
  await page.getByLabel('Riding, °C').fill('5');
  await expect(page.getByRole('heading', { name: 'Set 15.0 psi in the shop.' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Gauge reading' }).fill('15');
  await page.getByRole('button', { name: 'Save' }).click();

  // Balance: a wheel that is heavy by 40 g at the rim lock, on a stand that hides 2 g.
  await expect(page.getByText('Where is the bottom?')).toBeVisible();
  await balanceAsAdvised(page, { massG: 40, deg: 210 });
  await expect(page.getByRole('heading', { name: 'Balanced.' })).toBeVisible();
  await page.getByRole('button', { name: 'Go to the machine' }).click();

  // Wheel back: 14 lbf·ft lies below the long wrench and above the small one.
  await untilNow(
    page,
    'Pull the wheel against its stops, a rag between chain and sprocket. Check alignment and slack.',
  );
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel(/^Slack at the tightest/).fill('66 70');
  await expect(sheet.getByText('½ turn back, both adjusters the same.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
  await page.keyboard.press('r');
  await expect(sheet.getByLabel('When')).toHaveValue('after');
  await sheet.getByLabel(/^Slack at the tightest/).fill('52 55');
  await expect(sheet.getByText('Leave the adjusters alone.')).toBeVisible();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByRole('img', { name: /66 mm before, 52 mm after/ })).toBeVisible();

  await untilNow(page, 'Next: caliper bolts.');
  await expect(page.getByText('No wrench covers it', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Torqued' })).toBeDisabled();
  await page.getByRole('button', { name: 'Not verified' }).click();
  await expect(page.getByRole('heading', { name: 'Next: chain adjuster locknuts.' })).toBeVisible();
  await page.getByRole('button', { name: 'Snug' }).click();
  await untilNow(page, 'Pump the brake until it is firm.');
  await page.keyboard.press('r');
  await sheet.getByLabel('Lever or pedal').selectOption('firm');
  await sheet.getByRole('button', { name: 'Save' }).click();
  // Firm, and it turns freely: both steps are done by it, and it comes down.
  await expect(page.getByRole('heading', { name: 'Lower it off its stands.' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('heading', { name: 'The wheel is on.' })).toBeVisible();
  await page.keyboard.press('n');

  // Hand over: the guess is not proved, nor the cap, nor a ride; the snug nut is doubtful.
  await expect(page.getByRole('heading', { name: '3 safety checks not on record.' })).toBeVisible();
  await expect(page.getByText('caliper bolts: torque not verified.')).toBeVisible();
  await expect(
    page.getByText('chain adjuster locknuts: snug, but the manual gives a torque.'),
  ).toBeVisible();
  await page.keyboard.press('d');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: '2 safety checks not on record.' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Recheck bolts, cool at/ })).toBeVisible();
  await handOverAllTheSame(page, 'the rider torques them at home');
  await expect(page.getByText(/^Handed over to Mara Tolling/)).toBeVisible();
  await page.getByRole('link', { name: 'Job card' }).click();
  await expect(
    page.getByText(
      'Release with open safety checks by Juna Birk: the rider torques them at home.',
      { exact: false },
    ),
  ).toBeVisible();
  await expect(page.getByText('110/90-19 62M TT').first()).toBeVisible();
  await expect(page.getByText('15.0 psi at 25 °C')).toBeVisible();

  // The rider's own sheet, as it is read on a phone.
  await page.goto(`${shop.url}/jobs/${id}/hand-over`);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole('link', { name: 'Rider sheet' }).click();
  await expect(page.getByText('13.0 psi, cold, at 5 °C')).toBeVisible();
  await expect(page.getByText(/^Test ride: Ridden by Juna Birk/)).toBeVisible();
  await expectAccessible(page);
  const pdf = await page.request.get(`${shop.url}/api/jobs/${id}/card.pdf`);
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const csv = await (await page.request.get(`${shop.url}/api/jobs/${id}/log.csv`)).text();
  expect(csv).toMatch(/Settled at 7(:\d\d)? o’clock \(2\d\d°\), released from the left/);
  expect(
    await (await page.request.get(`${shop.url}/api/jobs/${id}/rechecks.ics`)).text(),
  ).toContain('SUMMARY:Pressure\\, cold');
});
