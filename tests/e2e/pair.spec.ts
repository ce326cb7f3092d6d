import {
  handOverAllTheSame,
  confirmed,
  expect,
  expectAccessible,
  openAs,
  startJob,
  test,
  tickAll,
  type TestShop,
} from './shop';
import type { Page } from '@playwright/test';

/** Opens a step of a station by its words. */
const openStep = async (page: Page, station: string, says: RegExp) => {
  await expect(page).toHaveURL(new RegExp(`/${station}$`));
  const all = page.getByRole('button', { name: /^All \d+ steps$/ });
  const step = page.getByRole('list', { name: 'Steps' }).getByRole('button', { name: says });
  // The station before may still stand there for a moment, its steps unfolded.
  await expect(async () => {
    if (await all.isVisible()) await all.click({ timeout: 1500 });
    await step.click({ timeout: 1500 });
  }).toPass({ timeout: 120_000 });
};

/** Ticks a station through from its first step. */
const tickThrough = async (page: Page, station: string) => {
  await openStep(page, station, /^step 1: /);
  await tickAll(page, station);
};

const hold = async (shop: TestShop, name: string, knobs: object) => {
  await fetch(`${shop.url}/api/devices/${encodeURIComponent(name)}/hold`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(knobs),
  });
};

/**
 * Tire off: the ring stays until the air is noted; then both beads are measured, and Inspect is
 * ticked.
 */
const airAndCrush = async (page: Page, outerMm: string, innerMm: string) => {
  await openStep(page, 'tire-off', /Undo the bolts of one ring/);
  await expect(page.getByRole('button', { name: /^Done/ })).toBeDisabled();
  await page.getByRole('button', { name: 'Record air out' }).click();
  const note = page.getByRole('dialog', { name: 'Is the air out?' });
  await note.getByLabel('The valve core is out').selectOption('yes');
  await note.getByLabel('No hiss').selectOption('yes');
  await note.getByLabel('The gauge on the valve, psi').fill('0');
  await confirmed(page, () => note.getByRole('button', { name: 'Save air check' }).click());
  await tickThrough(page, 'tire-off');
  await openStep(page, 'inspect', /Measure bead bundles/);
  await page.getByRole('button', { name: 'Bundle, gap and crush' }).click();
  const sheet = page.getByRole('dialog', { name: /crush/ });
  for (const [bead, mm] of [
    ['Outer', outerMm],
    ['Inner', innerMm],
  ] as const)
    for (const place of [1, 2, 3]) {
      await sheet
        .getByRole('group', { name: `${bead} bead: bundle` })
        .getByLabel(`Place ${place}, mm`)
        .fill(mm);
      await sheet
        .getByRole('group', { name: `${bead} bead: gap` })
        .getByLabel(`Place ${place}, mm`)
        .fill('17.1');
    }
  await confirmed(page, () => sheet.getByRole('button', { name: 'Save readings' }).click());
  // The cut through the axle says what was measured, without a sheet.
  await expect(
    page.getByRole('img', { name: new RegExp(`bundle ${innerMm} mm, gap 17\\.1 mm`) }),
  ).toBeVisible();
  await tickThrough(page, 'inspect');
};

/** Every turn of both rings by key, from where the wrench left off. */
const everyTurn = async (page: Page, from: number) => {
  const ring = page.getByRole('group', { name: 'Bolts of the ring' });
  for (let done = from; done < 64; done++) {
    await expect(ring).toContainText(`${done} of 64 turns`);
    await page.keyboard.press('k');
  }
  await expect(ring).toContainText('Both passes done.');
};

/** The same as another bench would write them, all at once. */
const everyTurnAtOnce = async (page: Page, shop: TestShop, id: string) => {
  const { job } = (await (await page.request.get(`${shop.url}/api/jobs/${id}`)).json()) as {
    job: { lastSeq: number };
  };
  for (const pass of [1, 2] as const) {
    const entries = (['outer', 'inner'] as const).flatMap((ring) =>
      Array.from({ length: 16 }, (_, i) => ({
        id: `${id}-${ring}-${pass}-${i}`,
        who: 'Osk Tarrow',
        station: 'tire-on',
        kind: 'ring-bolt',
        data: { ring, pass, bolt: i + 1, torqueNm: 22 },
      })),
    );
    const expectedSeq = job.lastSeq + (pass - 1) * entries.length;
    const answer = await page.request.post(`${shop.url}/api/jobs/${id}/entries`, {
      data: { expectedSeq, entries },
    });
    expect(await answer.text()).toContain('ring-bolt');
  }
  await page.reload();
};

/** Seated by the sidewall's own limit, set, and taped; then to hand-over. */
const airAndTape = async (page: Page, shop: TestShop, id: string, tape: string) => {
  await page.goto(`${shop.url}/jobs/${id}/seat`);
  await page.getByRole('textbox', { name: 'Gauge reads' }).fill('11');
  await page.getByRole('button', { name: 'Use reading' }).click();
  for (const side of ['Right side', 'Left side'])
    await page.getByRole('group', { name: side }).getByRole('button', { name: 'Seated' }).click();
  await expect(page.getByRole('heading', { name: 'Both beads are seated.' })).toBeVisible();
  await page.goto(`${shop.url}/jobs/${id}/set`);
  await page.getByRole('textbox', { name: 'Gauge reading' }).fill('7');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page).toHaveURL(/balance$/);
  await page.goto(`${shop.url}/jobs/${id}/set`);
  await page.getByRole('button', { name: 'Rollout by tape' }).click();
  const sheet = page.getByRole('dialog', { name: 'Rollout by tape' });
  await sheet.getByLabel('Circumference, mm').fill(tape);
  await expectAccessible(page);
  await confirmed(page, () => sheet.getByRole('button', { name: 'Save rollout' }).click());
  await page.goto(`${shop.url}/jobs/${id}/hand-over`);
};

const handOver = async (page: Page) => {
  await handOverAllTheSame(page, 'its nuts are torqued at the track');
  await expect(page.getByText(/^Handed over to Ines Farrow/)).toBeVisible();
};

const begin = async (page: Page, wheel: string): Promise<string> => {
  const id = await startJob(page, 'Quillfen', wheel);
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('button', { name: 'Use this tire' }).click();
  await tickAll(page, 'wheel-off');
  return id;
};

test(
  'a drag wheel of two rings from intake to hand-over, then its partner: too far apart, corrected, matched',
  { tag: '@long' },
  async ({ page, shop }) => {
    test.setTimeout(240_000);
    page.setDefaultTimeout(90_000);
    await openAs(page, shop, '/');
    const left = await begin(page, 'Left rear wheel');
    await airAndCrush(page, '19.9', '20');

    // The wrench's click walks both rings, twice; the rest by key.
    await openStep(page, 'tire-on', /Torque the bolts of both rings/);
    const ring = page.getByRole('group', { name: 'Bolts of the ring' });
    const wrench = 'ring click wrench';
    await hold(shop, wrench, { setNm: 22, pulling: false });
    await ring.getByRole('button', { name: 'Wrench checks off' }).click();
    await expect(ring.getByText('waits for the click')).toBeVisible();
    // Pulled again where the click was not heard, as at the bench.
    await expect(async () => {
      await hold(shop, wrench, { pulling: false });
      await hold(shop, wrench, { pulling: true });
      await expect(ring).toContainText('1 of 64 turns', { timeout: 120_000 });
    }).toPass();
    await hold(shop, wrench, { pulling: false });
    await ring.getByRole('button', { name: 'Without the wrench' }).click();
    await everyTurn(page, 1);
    await tickThrough(page, 'tire-on');
    await airAndTape(page, shop, left, '98 3/8');
    // Its partner wears the old tire still.
    await expect(
      page.getByText(/apart; .* Correct the left one, the smaller/).first(),
    ).toBeVisible();
    await handOver(page);

    await page.goto(shop.url);
    const right = await begin(page, 'Right rear wheel');
    await airAndCrush(page, '20.1', '20');
    await openStep(page, 'tire-on', /Torque the bolts of both rings/);
    await everyTurnAtOnce(page, shop, right);
    await tickThrough(page, 'tire-on');
    await airAndTape(page, shop, right, '2513');
    await expect(
      page.getByText(/14\.\d mm apart; .* Correct the left one, the smaller/).first(),
    ).toBeVisible();
    await handOver(page);

    // Both sides by side; the left one's stretch, air by it, and taped again: they match as they are
    // aired.
    await page.goto(`${shop.url}/wheels/w-quill-lr/pair`);
    const clamped = page.getByRole('region', { name: 'Crush and clamp' });
    await expect(clamped.getByText('64 of 64 turns')).toHaveCount(2);
    await expect(
      clamped.getByRole('row', { name: /Crush, outer bead 2\.80 mm 3\.00 mm/ }),
    ).toBeVisible();
    const form = page.getByRole('form', { name: 'Tape again' });
    const tape = async (mm: string, psi: string) => {
      await form.getByLabel('Circumference, mm').fill(mm);
      await form.getByLabel('Taped at, psi').fill(psi);
      await form.getByRole('button', { name: 'Save rollout' }).click();
      await expect(form.getByLabel('Circumference, mm')).toHaveValue('');
    };
    await tape('2505', '7');
    await expect(page.getByText(/Add 2\.\d psi to the left one, 8\.\d psi in all/)).toBeVisible();
    await tape('2512', '8.2');
    await expect(page.getByText(/A match: 1\.0 mm apart/)).toBeVisible();
    await expect(page.getByText('last taped: left at 8.2 psi, right at 6.0 psi')).toBeVisible();
    await expectAccessible(page);
  },
);
