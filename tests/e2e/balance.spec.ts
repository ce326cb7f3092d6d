import { angleBetween } from '../../src/core/base/units';
import { balanceAsAdvised, balanceOf, settled } from './hidden-wheel';
import { confirmed, expect, expectAccessible, openAs, test, TEST_UNITS } from './shop';

/** The demo wheel on the bench, its balancing begun again. */
const anew = async (page: Parameters<typeof openAs>[0], shop: Parameters<typeof openAs>[1]) => {
  await openAs(page, shop, '/jobs/demo-job-21/balance');
  await settled(page);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Start over' }).click();
  await expect(
    page.getByRole('heading', { name: 'Let it settle. Where is the bottom?' }),
  ).toBeVisible();
};

const rest = async (page: Parameters<typeof openAs>[0], place: string, from: string) => {
  const tries = page.getByRole('list', { name: 'Readings so far' }).getByRole('listitem');
  const before = await tries.count();
  if (!(await page.getByLabel('Place at the bottom').isVisible()))
    await page.getByLabel('Do something else by hand').selectOption('settle');
  await page.getByLabel('Place at the bottom').fill(place);
  await page.getByLabel('Released from').selectOption(from);
  await page.getByRole('button', { name: 'Use reading' }).click();
  // The first reading brings the hint of last time with it.
  await expect.poll(() => tries.count()).toBeGreaterThan(before);
  await settled(page);
};

test('a hidden wheel is balanced as advised in two or three placements, with last time as a hint, and the card has it all', async ({
  page,
  shop,
}) => {
  await anew(page, shop);
  await expect(page.getByText(/^Last time, [A-Z][a-z]{2} \d+, \d{4}: /)).toBeVisible();
  expect(await balanceAsAdvised(page, { massG: 47, deg: 143 })).toBeLessThanOrEqual(3);
  await expect(page.getByRole('group', { name: 'Before and after' })).toContainText('Force at');
  await expectAccessible(page);
  // Every bit of it survives a reload, and the hint is in the log with what was seen.
  await page.reload();
  await expect(page.getByRole('button', { name: 'Go to the machine' })).toBeVisible();
  const { hint, balanced, weights } = await balanceOf(page);
  expect(hint?.onDate).toMatch(/^\d{4}-/);
  expect(Math.abs(angleBetween(balanced!.heavyDeg, 143))).toBeLessThan(12);
  expect(balanced!.leftG).toBeLessThan(5);
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByText(/^Last time, .* heavy by .*: used as a hint/)).toBeVisible();
  await page.goto(`${shop.url}/jobs/demo-job-21/card`);
  await expect(page.getByText(/\d+% sure it is within tolerance/)).toBeVisible();
  for (const piece of weights!.pieces)
    await expect(page.getByText(`${piece.massG} g`, { exact: false }).first()).toBeVisible();
});

test('by hand: rests, own pieces from the shelf as buttons, held level, undone, and left as it is', async ({
  page,
  shop,
}) => {
  await anew(page, shop);
  await page.getByRole('button', { name: 'Not this time' }).click();
  await rest(page, '7:00', 'left');
  await rest(page, '6:50', 'right');
  // The advice may say what it likes: 20 + 20 g go on at 12:50.
  await page.getByLabel('Do something else by hand').selectOption('weights');
  await page.getByLabel('Place for the next weight').fill('25°');
  for (let n = 0; n < 2; n++) await page.getByRole('button', { name: /^Put 20 g on/ }).click();
  await expect(page.getByRole('list', { name: 'Picked' }).getByRole('listitem')).toHaveCount(2);
  await page
    .getByRole('button', { name: /^Take 20 g at 12:50 off/ })
    .first()
    .click();
  await page.getByRole('button', { name: /^Put 10 g on/ }).click();
  await page.getByRole('button', { name: 'Weights are final' }).click();
  await expect(page.getByText(/^on: 20 g \+ 10 g at 12:50/)).toBeVisible();
  await page.getByLabel('Do something else by hand').selectOption('level');
  await page.getByLabel('Place held level').fill('12:50');
  await page.keyboard.press('Tab');
  await page.getByRole('heading', { level: 2 }).first().click();
  await page.keyboard.press('1');
  await expect(page.getByText('12:50 held level at 3 o’clock rises')).toBeVisible();
  // Undone by key, and back again from the log: nothing is lost.
  await page.keyboard.press('u');
  await expect(page.getByText('12:50 held level at 3 o’clock rises')).toBeHidden();
  await page.getByRole('button', { name: 'Remove reading 3' }).click();
  await expect(page.getByText(/^on: 20 g/)).toBeHidden();
  expect((await balanceOf(page)).on).toEqual([]);
  await settled(page);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('button', { name: 'Go to the machine' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/wheel-back$/);
});

test(
  'a reading that contradicts the others is found, said, and taken out',
  { tag: '@long' },
  async ({ page, shop }) => {
    await anew(page, shop);
    for (const [place, from] of [
      ['210°', 'left'],
      ['207°', 'right'],
      ['211°', 'left'],
      ['12°', 'right'],
      ['208°', 'left'],
      ['209°', 'right'],
    ] as const)
      await rest(page, place, from);
    await expect(page.getByRole('alert')).toContainText('One reading doesn’t fit');
    const odd = page
      .getByRole('list', { name: 'Readings so far' })
      .getByRole('listitem')
      .filter({ hasText: 'doesn’t fit' });
    await expect(odd).toContainText('settled at 12:24');
    await odd.getByRole('button').click();
    await expect(page.getByText('One reading doesn’t fit', { exact: false })).toBeHidden();
    expect((await balanceOf(page)).seen).toHaveLength(5);
  },
);

test('wrong, missing and huge input is refused with a sentence, and nothing is half written', async ({
  page,
  shop,
}) => {
  await anew(page, shop);
  const field = page.getByLabel('Place at the bottom');
  for (const bad of ['13:99', 'bottom', '9999°', '<b>7</b>']) {
    await field.fill(bad);
    await expect(
      page.getByText(/is not a place on the wheel|once round|is not an hour/),
    ).toBeVisible();
    await expect(page.getByRole('button', { name: 'Use reading' })).toBeDisabled();
  }
  await page.getByLabel('Do something else by hand').selectOption('machine');
  await page.getByRole('textbox', { name: 'Heavy by, g' }).fill('99999');
  await expect(page.getByText('Mass: a number from 0 to 2000 g.')).toBeVisible();
  await page.getByLabel('Do something else by hand').selectOption('swing');
  await page.getByLabel('Seconds for all of them').fill('0.2');
  await expect(page.getByText(/^One swing takes 0.2 to 60 seconds/)).toBeVisible();
  expect((await balanceOf(page)).seen).toEqual([]);
});

test('the simulated stand turns the dial; a rest is taken once the wheel has come to rest', async ({
  page,
  shop,
}) => {
  await page.addInitScript(
    (prefs) => localStorage.setItem('rimstone-prefs', prefs),
    JSON.stringify({ who: 'Juna Birk', theme: 'day', standIns: true, units: TEST_UNITS }),
  );
  await page.request.put(`${shop.url}/api/devices/bench%20stand/hold`, {
    data: { heavyG: 43, heavyDeg: 206, bandG: 2.5, pace: 30 },
  });
  await anew(page, shop);
  const stand = page.getByRole('group', { name: 'Balance stand' });
  const turn = () =>
    page
      .locator('.dial')
      .evaluate((e) =>
        (e as unknown as { style: CSSStyleDeclaration }).style.getPropertyValue('--turn'),
      );
  await expect(stand.getByRole('button', { name: 'Use this reading' })).toBeDisabled();
  const before = await turn();
  for (const from of ['left', 'right']) {
    await stand.getByRole('button', { name: `From the ${from}` }).click();
    await expect.poll(turn).not.toBe(before);
    await stand.getByRole('button', { name: 'Use this reading' }).click();
    await expect(
      page.getByText(
        new RegExp(`settled at [67]:\\d\\d,? from the ${from}|settled at 7,? from the ${from}`),
      ),
    ).toBeVisible();
  }
  const { seen } = await balanceOf(page);
  for (const o of seen)
    expect(o.kind === 'settle' && Math.abs(angleBetween(206, o.restDeg))).toBeLessThan(5);
  await page.goto(`${shop.url}/jobs/demo-job-21/log`);
  await expect(page.getByText(/released from the left, by bench stand/)).toBeVisible();
});

test('more: the turn of the tire, the parts, the speed, and the stand’s own band for the jobs to come', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-21/balance');
  await settled(page);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('textbox', { name: 'Bare wheel, heavy by, g' }).fill('30');
  await expect(sheet.getByText('Needed with the mark at the valve')).toBeVisible();
  // A lock of 85 g and a valve of 20 g opposite it by 150°: 85 − 20 cos 30° along, 20 sin 30°
  // across.
  await sheet.getByLabel('The rim lock').selectOption({ index: 0 });
  await sheet.getByRole('textbox', { name: 'The valve with its nuts, g' }).fill('20');
  const wanted = Math.hypot(85 - 20 * Math.cos(Math.PI / 6), 20 * Math.sin(Math.PI / 6));
  await expect(sheet.getByRole('region', { name: /^Estimate from parts/ })).toContainText(
    new RegExp(`${Math.round(wanted)}\\s*g`),
  );
  await expect(sheet.getByText(/About \d\.\d g, by \d+ wheels/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/^Saved for new jobs/)).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${shop.url}/rules`);
  await page.getByLabel(/^Search \d+/).fill('dead band');
  await expect(page.getByText(/Learned from the shop.s last wheels/)).toBeVisible();
});

test(
  'a shelf with very many ways to pick from is answered at once, and proved when it is searched on',
  { tag: '@long' },
  async ({ page, shop }) => {
    const tens = (
      await (await page.request.get(`${shop.url}/api/records/weights`)).json()
    ).records.find((w: { id: string }) => w.id === 'g-7');
    await page.request.put(`${shop.url}/api/records/weights/g-7`, {
      data: { ...tens, archived: true },
    });
    for (let i = 0; i < 9; i++)
      await page.request.post(`${shop.url}/api/records/weights`, {
        data: { id: `many-${i}`, massG: 1 + i * 0.825, kind: 'adhesive', count: 60, lengthMm: 6 },
      });
    await openAs(page, shop, '/jobs/demo-job-22/balance');
    await page.getByRole('button', { name: 'Not this time' }).click();
    await page.getByLabel('Do something else by hand').selectOption('machine');
    await page.getByRole('textbox', { name: 'Heavy by, g' }).fill('130');
    await page.getByLabel('Heavy at').fill('200°');
    await page.getByRole('button', { name: 'Use reading' }).click();
    await expect(page.getByRole('heading', { name: /^Put on/ })).toBeVisible();
    // Eight of the heaviest on each side fall short: at least nine pairs, and too many ways to take
    // them.
    await expect(page.getByText('18+ weights')).toBeVisible();
    await page.getByRole('button', { name: 'Keep searching' }).click();
    await expect(page.getByText('fewest weights', { exact: false })).toBeVisible();
    await confirmed(page, () => page.getByRole('button', { name: 'Weights are on' }).click());
    expect((await balanceOf(page)).on).toHaveLength(18);
  },
);

test('weights that were entered from the other side are noticed: look, enter them again, and it goes on', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/jobs/demo-job-21/balance');
  await settled(page);
  const { entries } = await (await page.request.get(`${shop.url}/api/jobs/demo-job-21`)).json();
  let expectedSeq = entries.at(-1).seq;
  const add = async (kind: string, data: object) => {
    const entry = { id: `slip-${expectedSeq}`, who: 'Juna Birk', station: 'balance', kind, data };
    const answer = await page.request.post(`${shop.url}/api/jobs/demo-job-21/entries`, {
      data: { expectedSeq, entries: [entry] },
    });
    expectedSeq = (await answer.json()).seq;
  };
  await add('balance-again', { why: 'begun anew' });
  for (const [restDeg, from] of [
    [205, 'left'],
    [208, 'right'],
  ] as const)
    await add('rest', { restDeg, from, device: null });
  // It was taped on at 288°, on the other side of the valve.
  await add('trial', { pieces: [{ massG: 30, deg: 72, side: 'near' }] });
  for (const [restDeg, from] of [
    [240, 'left'],
    [243, 'right'],
    [241, 'left'],
  ] as const)
    await add('rest', { restDeg, from, device: null });
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'Stop: these readings don’t agree.' }),
  ).toBeVisible();
  await expect(page.getByText(/entered from the other side/)).toBeVisible();
  await expectAccessible(page);
  await confirmed(page, () => page.getByRole('button', { name: 'All off, start over' }).click());
  await expect(
    page.getByRole('heading', { name: 'Let it settle. Where is the bottom?' }),
  ).toBeVisible();
});
