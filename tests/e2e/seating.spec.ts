import { expect, expectAccessible, openAs, startJob, test } from './shop';

test('a stubborn tire: one try fails, a reading above the limit stops it, the third try is the last', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Orrindale', 'Rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/seat`);
  const now = page.getByRole('heading', { level: 2 }).first();
  const read = async (psi: string) => {
    await page.getByRole('textbox', { name: 'Gauge reads' }).fill(psi);
    await page.getByRole('button', { name: 'Use reading' }).click();
  };
  await expect(now).toHaveText('Air in, up to 40.0 psi and no further.');
  await read('25');
  await expect(now).toHaveText('Keep going. Listen for the pops.');
  await read('39.5');
  await expect(now).toHaveText('All air out. Try again.');
  await page
    .getByRole('group', { name: 'Disc side' })
    .getByRole('button', { name: 'Seated' })
    .click();
  await page.keyboard.press('a');
  await expect(page.getByText('try 2 of 3')).toBeVisible();
  // A new try knows nothing of the old one's beads.
  await expect(
    page.getByRole('group', { name: 'Disc side' }).getByRole('button', { name: 'Seated' }),
  ).toHaveAttribute('aria-pressed', 'false');
  await read('41');
  await expect(now).toHaveText('Stop. Let it all out.');
  await expect(page.getByText('Above the limit of 40.0 psi', { exact: false })).toBeVisible();
  await expectAccessible(page);
  // No air may go in: no reading is asked for.
  await expect(page.getByRole('textbox', { name: 'Gauge reads' })).toHaveCount(0);
  await page.keyboard.press('a');
  await read('40');
  await expect(now).toHaveText('Stop here. Find out why.');
  await expect(page.getByText('Is the tube caught under the bead?')).toBeVisible();
  await expect(page.getByRole('button', { name: /again/ })).toHaveCount(0);
  // The cause is found: it is kept, and the tries begin again.
  await page.keyboard.press('x');
  await page.getByRole('button', { name: 'A bead will not seat' }).click();
  await page.getByRole('button', { name: /Fixed by: Is a tube caught/ }).click();
  await expect(page.getByText('try 1 of 3')).toBeVisible();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('u');
  await expect(now).toHaveText('Stop here. Find out why.');
  await page.keyboard.press('w');
  await expect(page.getByRole('dialog')).toContainText('2 before it, 3 allowed');
  await page.goto(`${shop.url}/jobs/${id}/hand-over`);
  await expect(
    page.getByText('Seat: A reading was above the seating limit', { exact: false }),
  ).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/log`);
  await expect(
    page.getByText('All air out, started over: Above the limit', { exact: false }),
  ).toBeVisible();
});
