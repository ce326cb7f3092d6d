import { confirmed, expect, expectAccessible, openAs, startJob, test, type TestShop } from './shop';

const hold = async (shop: TestShop, name: string, knobs: object) => {
  const { status } = await fetch(`${shop.url}/api/devices/${encodeURIComponent(name)}/hold`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(knobs),
  });
  expect(status).toBe(204);
};

/** The instrument of a kind that the demo shop has. */
const nameOf = async (shop: TestShop, kind: string): Promise<string> => {
  const { devices } = (await (await fetch(`${shop.url}/api/devices`)).json()) as {
    devices: { name: string; kind: string }[];
  };
  return devices.find((d) => d.kind === kind)!.name;
};

test('a ring of two: beads by caliper one after the other, then every bolt in its turn by key and by the wrench’s click', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-31/inspect');
  await page.getByRole('button', { name: /^All \d+ steps$/ }).click();
  await page
    .getByRole('list', { name: 'Steps' })
    .getByRole('button', { name: /Measure bead bundles/ })
    .click();
  await page.getByRole('button', { name: 'Bundle, gap and crush' }).click();
  const sheet = page.getByRole('dialog', { name: /crush/ });
  // What stands is the last measuring; a bundle thinner than its gap is a sentence, and nothing is
  // written.
  await expect(sheet.getByText(/Outer bead: crush 2\.7\d mm/)).toBeVisible();
  const first = sheet.getByRole('group', { name: 'Outer bead: bundle' });
  for (const place of [1, 2, 3]) await first.getByLabel(`Place ${place}, mm`).fill('16');
  await sheet.getByRole('button', { name: 'Save readings' }).click();
  await expect(sheet.getByRole('alert')).toContainText('not thicker than the gap');
  // The caliper fills the empty places one after the other, its button keeping the focus.
  for (const place of [1, 2, 3]) await first.getByLabel(`Place ${place}, mm`).fill('');
  const caliper = await nameOf(shop, 'caliper');
  await hold(shop, caliper, { partMm: 20, on: true });
  await sheet.getByRole('button', { name: 'From the caliper' }).click();
  for (const place of [1, 2, 3]) {
    // It is opened and closed on another place, or it says that it did not move.
    await hold(shop, caliper, { on: false });
    await expect(
      sheet.getByRole('group', { name: 'Caliper' }).getByText(/^0\.\d\d mm$/),
    ).toBeVisible();
    await hold(shop, caliper, { on: true });
    const take = sheet.getByRole('button', { name: `Take outer bead, bundle ${place}` });
    // Steady at the part, no longer at zero.
    await expect(
      sheet.getByRole('group', { name: 'Caliper' }).getByText(/^(19\.9|20\.0)\d mm$/),
    ).toBeVisible();
    await expect(sheet.getByRole('group', { name: 'Caliper' }).getByText('steady')).toBeVisible();
    if (place === 1) await take.focus();
    await expect(take).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(first.getByLabel(`Place ${place}, mm`)).toHaveValue(/^(19\.9\d*|20(\.0\d*)?)$/);
  }
  await expectAccessible(page);
  await confirmed(page, () => sheet.getByRole('button', { name: 'Save readings' }).click());

  await page.goto(`${shop.url}/jobs/demo-job-31/tire-on`);
  await page.getByRole('button', { name: /^All \d+ steps$/ }).click();
  await page
    .getByRole('list', { name: 'Steps' })
    .getByRole('button', { name: /Torque the bolts of both rings/ })
    .click();
  const ring = page.getByRole('group', { name: 'Bolts of the ring' });
  await expect(ring).toContainText('Outer ring, first pass: bolt 1');
  await expect(ring).toContainText('0 of 64 turns of the wrench');
  await page.keyboard.press('k');
  await expect(ring).toContainText('bolt 2');
  await page.keyboard.press('u');
  await expect(ring).toContainText('bolt 1');

  // A click at another torque ticks nothing and says so; at the maker's it walks on by itself.
  const wrench = 'ring click wrench';
  await hold(shop, wrench, { setNm: 24, pulling: false });
  await ring.getByRole('button', { name: 'Wrench checks off' }).click();
  await expect(ring.getByText('waits for the click')).toBeVisible();
  await hold(shop, wrench, { pulling: true });
  await expect(
    ring.getByText(/Clicked at 2[4-9](\.\d)? N·m; manual says 22(\.0)? N·m/),
  ).toBeVisible({ timeout: 120_000 });
  await expect(ring).toContainText('bolt 1');
});

test('a split rim where the air is not out: its bolts stay until silence, gauge and core are noted', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-32/tire-off');
  await page.getByRole('button', { name: /^All \d+ steps$/ }).click();
  await page
    .getByRole('list', { name: 'Steps' })
    .getByRole('button', { name: /Undo the rim bolts/ })
    .click();
  const done = page.getByRole('button', { name: /^Done/ });
  await expect(
    page.getByText(/Do not touch a bolt\. Missing: the valve core out, silence/),
  ).toBeVisible();
  await expect(page.getByText(/a split rim under air comes apart with force/)).toBeVisible();
  await expect(done).toBeDisabled();
  await page.keyboard.press('n');
  await expect(page.getByText(/Do not touch a bolt/)).toBeVisible();

  await page.getByRole('button', { name: 'Record air out' }).click();
  const note = page.getByRole('dialog', { name: 'Is the air out?' });
  await note.getByLabel('The valve core is out').selectOption('yes');
  await note.getByLabel('No hiss').selectOption('yes');
  await note.getByLabel('The gauge on the valve, psi').fill('4');
  await expect(note.getByText('Do not touch a bolt. Missing: the gauge at zero.')).toBeVisible();
  await note.getByLabel('The gauge on the valve, psi').fill('0');
  await expect(note.getByText(/Air is out/)).toBeVisible();
  await expectAccessible(page);
  await confirmed(page, () => note.getByRole('button', { name: 'Save air check' }).click());
  await expect(done).toBeEnabled();
  // Undone, the bolts stay again.
  await page.keyboard.press('u');
  await expect(done).toBeDisabled();
});

test('a pair too far apart: which one to air, by its own stretch; taped in eighths of an inch, then matched', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/wheels/w-quill-lr');
  await page.getByRole('link', { name: 'Driven pair' }).click();
  await expect(page.getByText('14.0 mm apart', { exact: false }).first()).toBeVisible();
  await expect(
    page.getByText(/Air needed is unknown\. Tape the left one at a second pressure/),
  ).toBeVisible();
  const form = page.getByRole('form', { name: 'Tape again' });
  const tape = async (mm: string, psi: string) => {
    await form.getByLabel('Circumference, mm').fill(mm);
    await form.getByLabel('Taped at, psi').fill(psi);
    await form.getByRole('button', { name: 'Save rollout' }).click();
  };
  await tape('98 9/8', '8');
  await expect(form.getByRole('alert')).toContainText('104 3/8 for inches and eighths');
  // 98 7/8 in is 2511.4 mm: 12.4 mm for 2 psi.
  await tape('98 7/8', '8');
  await expect(page.getByText(/Add 2\.\d psi to the left one, 8\.\d psi in all/)).toBeVisible();
  await expectAccessible(page);
  // The right one, let down a little after another run, has come back to its partner.
  await form.getByLabel('Which wheel').selectOption('w-quill-rr');
  await form.getByRole('textbox', { name: 'Runs so far' }).fill('4');
  await tape('2503', '6');
  await expect(page.getByText(/A match: 4\.0 mm apart/)).toBeVisible();
});

test('a side-by-side’s one ring, on a phone: counted at the bench, its caution in sight, bolts by tap', async ({
  page,
  shop,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openAs(page, shop, '/');
  const id = await startJob(page, 'Dunnock', 'Right rear wheel');
  await page.goto(`${shop.url}/jobs/${id}/tire-on`);
  await page.getByRole('button', { name: /^All \d+ steps$/ }).click();
  await page
    .getByRole('list', { name: 'Steps' })
    .getByRole('button', { name: /Torque the ring bolts/ })
    .click();
  const ring = page.getByRole('group', { name: 'Bolts of the ring' });
  await expect(ring).toContainText('0 of 24 turns of the wrench');
  await expect(page.getByText(/Deflated first\. Only a torque wrench finishes/)).toBeVisible();
  await ring.getByRole('button', { name: 'Bolt 1 is torqued' }).click();
  await expect(ring).toContainText('Outer ring, first pass: bolt 2');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await expectAccessible(page);
});
