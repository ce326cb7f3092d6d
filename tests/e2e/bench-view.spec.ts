import { expect, expectAccessible, openAs, startJob, test, toStep } from './shop';

test('a whole bench session on the keyboard alone: every step, trouble cured, a school changed halfway, the wheel turned over', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/wheel-off`);
  const says = (text: string | RegExp) =>
    expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(text);
  const key = (k: string) => page.keyboard.press(k);
  /** Done, until a step says this. */
  const doneUntil = async (text: RegExp) => {
    for (let i = 0; i < 30; i++) {
      const now = await page.getByRole('heading', { level: 2 }).first().textContent();
      if (text.test(now!)) return;
      await key('n');
      await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(now!);
    }
    throw new Error(`no step says ${text}`);
  };
  await says('Let the exhaust cool.');
  await key('f');
  await expect(page).toHaveURL(/wheel-off\/bench$/);
  await expect(page.getByText('Wheel off, step 1 of 10')).toBeVisible();
  await expect(page.getByText('Next: Loosen pinch bolts', { exact: false })).toBeVisible();
  await expect(page.getByText(/usual \d+ min, from \d+ jobs/)).toBeVisible();
  await expectAccessible(page);
  await key('n');
  await says(/^Loosen pinch bolts/);
  await key('b');
  await says('Let the exhaust cool.');
  await key('n');
  await says(/^Loosen pinch bolts/);
  // What was done is undone by its key, and done again.
  await key('u');
  await says('Let the exhaust cool.');
  // A pedal that is held down, or pressed twice, ticks one step.
  await page.keyboard.down('n');
  await page.keyboard.down('n');
  await page.keyboard.down('n');
  await page.keyboard.up('n');
  await says(/^Loosen pinch bolts/);
  await page.evaluate(() => {
    for (let i = 0; i < 2; i++)
      window.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', bubbles: true }));
  });
  await says(/^Lift it and secure/);
  await doneUntil(/^Next: Tire off/);
  await key('n');
  await expect(page).toHaveURL(/tire-off\/bench$/);

  await doneUntil(/^Lever the first bead off/);
  await expect(page.getByText('Disc side down for this.')).toBeVisible();
  await expect(
    page.getByRole('img', { name: /rim lock at 7 o’clock \(210°\), start at 1 o’clock \(30°\)/ }),
  ).toBeVisible();
  await key('t');
  await expect(page.getByText('Disc side down for this.')).toBeHidden();
  await expect(
    page.getByRole('img', { name: /rim lock at 5 o’clock \(150°\), start at 11 o’clock \(330°\)/ }),
  ).toBeVisible();
  await key('.');
  await expect(page.getByText('Bite 2 of 22')).toBeVisible();

  await key('x');
  const sheet = page.getByRole('dialog');
  // What goes wrong at this step comes first.
  await expect(sheet.getByRole('button').nth(1)).toHaveText('The bite will not go');
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 40; i++) {
      const now = await page.evaluate(
        () =>
          document.activeElement?.getAttribute('aria-label') ??
          document.activeElement?.textContent ??
          '',
      );
      if (name.test(now)) return;
      await key('Tab');
    }
    throw new Error(`no button ${name}`);
  };
  await tabTo(/^The bite will not go/);
  await key('Enter');
  await expect(sheet.getByText('Push the bead opposite back down into the well.')).toBeVisible();
  await tabTo(/^Fixed by: Push the bead opposite/);
  await key('Enter');
  await expect(sheet).toBeHidden();

  // The old tube stays in from here on: the steps change at once.
  await page.keyboard.press('Escape');
  await tabTo(/^Methods/);
  await key('Enter');
  await expect(sheet.getByText('Out before the second bead, it cannot be pinched.')).toBeVisible();
  await tabTo(/^left in/);
  await key('Enter');
  await expect(sheet.getByText('changes no step for this wheel').first()).toBeVisible();
  await key('Escape');
  await key('n');
  await says(/^Feel where the tube lies/);
  await doneUntil(/^Next: Inspect/);
  await key('n');
  await doneUntil(/^Spin it: runout/);
  await key('r');
  await expect(page.getByRole('dialog', { name: /Runout/ })).toBeVisible();
  await key('Escape');
  await doneUntil(/^Next: Tire on/);
  await key('n');
  await doneUntil(/^Stop\. Push the bead/);
  await doneUntil(/^Next: Seat/);
  await key('n');
  await expect(page).toHaveURL(/\/seat$/);
  await expect(page.getByRole('group', { name: 'Current step' })).toContainText(
    'Chuck clipped on, gauge and valve at arm’s length.',
  );
  await key('d');
  await expect(page.getByRole('group', { name: 'Current step' })).toContainText(
    'A little air first.',
  );
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(page.getByText('Trouble: the bite will not go')).toBeVisible();
  await expect(page.getByText('When the old tube comes out: left in, for this job')).toBeVisible();
});

test('whether the bead gets over: the rim is measured once, and stays with the job', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/tire-on/bench`);
  for (let i = 0; i < 8; i++) {
    const now = await page.getByRole('heading', { level: 2 }).first().textContent();
    if (now!.startsWith('First bead on')) break;
    await page.keyboard.press('n');
    await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText(now!);
  }
  await page.keyboard.press('r');
  const sheet = page.getByRole('dialog', { name: 'Will the bead clear?' });
  await sheet.getByRole('button', { name: 'Save rim shape' }).click();
  await expect(sheet.getByText('Measure all three', { exact: false })).toBeVisible();
  await sheet.getByRole('textbox', { name: 'Flange diameter' }).fill('510');
  await sheet.getByRole('textbox', { name: /^Well diameter/ }).fill('454');
  await sheet.getByRole('textbox', { name: 'Well to far flange' }).fill('40');
  // A flat tube, 2 × 1.5, and a strip of 1: with them less may sit high.
  await expect(sheet.getByRole('textbox', { name: /^Stack in the well/ })).toHaveValue('4');
  const high = sheet.getByRole('definition').nth(1);
  const withThem = Number.parseInt((await high.textContent())!);
  await sheet.getByRole('textbox', { name: /^Stack in the well/ }).fill('0');
  await expect(async () =>
    expect(Number.parseInt((await high.textContent())!)).toBeGreaterThan(withThem),
  ).toPass();
  // √(((454 + 510) / 2)² + 40²) = 483.7 against a bead of 482.6.
  await expect(sheet.getByText('Levers.', { exact: true })).toBeVisible();
  await expect(sheet.getByText(/to spare, with \d+ mm left/)).toBeVisible();
  await sheet.getByRole('textbox', { name: 'A bite' }).fill('30');
  await expect(sheet.getByText(/with 2\d\d mm to go\./)).toBeVisible();
  await sheet.getByLabel('Far bead still on its seat').selectOption('360');
  await expect(sheet.getByText('Stop, and find out why.')).toBeVisible();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Save rim shape' }).click();
  await expect(page.getByText('Rim shape saved.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('First bead on. Keep the rim lock pushed in.')).toBeVisible();
  await page.keyboard.press('r');
  await expect(sheet.getByRole('textbox', { name: /^Well diameter/ })).toHaveValue('454');
  await page.keyboard.press('Escape');
  // The bites say what is left over, and the dial how the far side has to lie.
  await page.goto(`${shop.url}/jobs/${id}/tire-on`);
  await toStep(page, /Second bead/);
  const bites = page.getByRole('group', { name: 'Bites' });
  await expect(bites.getByText(/mm to spare: light/)).toBeVisible();
  for (let i = 0; i < 11; i++) await page.keyboard.press('.');
  await expect(bites.getByText(/mm to spare: (firm|heavy), \d+° down in the well/)).toBeVisible();
  await expect(page.getByRole('img', { name: /far side down in the well from/ })).toBeVisible();
});
