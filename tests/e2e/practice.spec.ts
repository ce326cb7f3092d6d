import {
  advisedAir,
  advisedLeak,
  advisedLevers,
  advisedPair,
  advisedRing,
  advisedTruing,
  hiddenAir,
  hiddenBead,
  hiddenLeak,
  hiddenPair,
  hiddenRing,
  hiddenSidewall,
  hiddenSpokes,
} from '../../src/core/practice';
import { expect, expectAccessible, openAs, test } from './shop';

test('a round of practice: a wheel that turns, own tries, the advice beside them, and the score kept', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/practice?kind=balance');
  await expect(page.getByText('No round yet: free stand, full stock.')).toBeVisible();
  await page.getByRole('button', { name: 'Start round' }).click();
  await expect(page).toHaveURL(/wheel=\d+/);
  await expectAccessible(page);
  await page.goto(`${shop.url}/practice?kind=balance&wheel=21`);
  await page.getByLabel('The clock').selectOption('25');
  const turn = () =>
    page
      .locator('.dial')
      .evaluate((e) =>
        (e as unknown as { style: CSSStyleDeclaration }).style.getPropertyValue('--turn'),
      );
  await page.getByRole('button', { name: 'From the left' }).click();
  const early = await turn();
  await expect.poll(turn).not.toBe(early);
  await expect(page.getByText('At the bottom:')).toBeVisible();
  // As a fitter would: against what came to the bottom, 20 g, and held level there.
  const [, hour, minute] = /At the bottom: (\d+)(?::(\d+))?/.exec(
    (await page.getByText('At the bottom:').textContent())!,
  )!;
  const opposite = `${((Number(hour) + 6 - 1) % 12) + 1}:${minute ?? '00'}`;
  await page.getByLabel('A place').fill(opposite);
  await page.getByRole('button', { name: /^Put 20 g on/ }).click();
  await page.getByRole('button', { name: 'Put weights on' }).click();
  await page.getByRole('button', { name: 'Hold level, let go' }).click();
  await expect(page.getByRole('list', { name: 'Readings so far' })).toContainText(
    /held level (rises|sinks|stays)/,
  );
  await page.getByRole('button', { name: 'Call it balanced' }).click();
  await expect(page.getByText('Advised moves')).toBeVisible({ timeout: 120_000 });
  const row = (who: string) => page.getByRole('row', { name: new RegExp(`^${who}`) });
  await expect(row('You')).toContainText('1');
  await expect(row('Advised').getByRole('cell').first()).toHaveText(/^[123]$/);
  await expect(page.getByRole('list', { name: 'Rounds' }).getByRole('listitem')).toHaveCount(1);
  await expectAccessible(page);
  // Kept over time, and the wheel of an address is the same wheel.
  await page.getByRole('button', { name: 'Back to the bench' }).click();
  await page.reload();
  await expect(page.getByText(/^1 round: free stand, full stock/)).toBeVisible();
  await page.getByRole('button', { name: 'Start round' }).click();
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Start round' })).toBeVisible();
});

test('who wants no motion gets none: a wheel is at rest at once, a needle where it goes, a bead where it lies', async ({
  page,
  shop,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openAs(page, shop, '/practice?kind=balance&wheel=21');
  await page.getByRole('button', { name: 'From the left' }).click();
  // By the clock of the stand it swings for half a minute.
  await expect(page.getByText('At the bottom:')).toBeVisible({ timeout: 15_000 });
  await page.goto(`${shop.url}/practice?kind=true&wheel=4`);
  const rim = page
    .getByRole('img', { name: /^Rim at the needle/ })
    .locator('path')
    .nth(1);
  const drawn = () => rim.getAttribute('d');
  await expect(rim).toBeVisible();
  const before = await drawn();
  await page.keyboard.press('.');
  const after = await drawn();
  expect(after).not.toBe(before);
  await page.waitForTimeout(300);
  expect(await drawn()).toBe(after);
  await page.goto(`${shop.url}/jobs/demo-job-22/tire-off`);
  await page.getByRole('button', { name: /Lever the first bead off/ }).click();
  const cut = page.getByRole('img', { name: /^Cross-section of the wheel/ });
  await expect(cut).toHaveAccessibleName(/The upper bead goes over the flange/);
  await page.getByRole('button', { name: 'Next bite' }).click();
  const atOnce = await cut.innerHTML();
  await page.waitForTimeout(300);
  expect(await cut.innerHTML()).toBe(atOnce);
});

test('levers by keyboard: begun, bitten, left and taken up again, over, and what cost what', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/practice');
  await expect(page.getByText('No round yet: deep rim.')).toBeVisible();
  await page.goto(`${shop.url}/practice?kind=levers&level=with+a+lock&wheel=5`);
  const bead = hiddenBead(5, 'with a lock');
  const acts = [...advisedLevers(bead)];
  const begin = acts[0] as { deg: number };
  await page.getByRole('textbox', { name: 'Start at' }).fill(String(begin.deg) + '°');
  await page.getByRole('textbox', { name: 'Start at' }).press('Enter');
  await page.getByRole('button', { name: 'Start here' }).press('Enter');
  await expect(page.getByRole('heading', { name: /^1 move/ })).toBeVisible();
  const keys = { kneel: 'k', 'push down': 'p', 'press the lock': 'l', feel: 'f' } as const;
  const play = async (from: number, to: number) => {
    for (const [i, act] of acts.slice(from, to).entries()) {
      if (act.do === 'start') continue;
      if (act.do === 'kneel') await page.getByLabel('A knee at').fill(`${act.deg.toFixed(0)}°`);
      if (act.do === 'bite') await page.getByLabel('Length of a bite').selectOption(String(act.mm));
      await page.getByRole('heading', { name: /moves? ·/ }).click();
      await page.keyboard.press(
        act.do === 'bite' ? (act.end === 'clockwise' ? '.' : ',') : keys[act.do],
      );
      await expect(
        page.getByRole('list', { name: /^Moves so far/ }).getByRole('listitem'),
      ).toHaveCount(from + i + 1);
    }
  };
  // The advice feels for the tube; this fitter does not, once.
  await play(1, 7);
  await expect(page.getByRole('img', { name: /down in the well from/ })).toBeVisible();
  await expectAccessible(page);
  // Left, and gone on with where it stood.
  await page.getByRole('button', { name: 'Quit round' }).click();
  await page.reload();
  await page
    .getByRole('button', { name: 'Resume your last round: Levers, with a rim lock' })
    .click();
  await expect(page.getByRole('heading', { name: /^7 moves/ })).toBeVisible();
  await play(7, acts.length);
  await expect(page.getByRole('status').getByText('The bead is over')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByText(`On in ${acts.length} moves, tube undamaged.`)).toBeVisible();
  await expect(page.getByText('No mistakes.')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Back to the bench' }).click();
  await expect(page.getByRole('row', { name: /^Levers/ })).toContainText('1 of 1');
  await expect(page.getByRole('button', { name: /^Resume your last round/ })).toHaveCount(0);
});

test('truing by keyboard: read at the needle, nipples turned by number, and what the advice turned', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/practice?kind=true&wheel=4');
  const hidden = hiddenSpokes(4, 'a wobble');
  const needle = page.getByRole('img', { name: /^Side to side: / });
  const shown = async () =>
    Number(
      /: ([+\u2212-]?[\d.]+)/
        .exec((await needle.getAttribute('aria-label'))!)![1]!
        .replace('\u2212', '-'),
    );
  // It begins at the first nipple after the valve.
  const step = 360 / hidden.spokes;
  expect(await shown()).toBeCloseTo(hidden.read([step / 2])[0]!.lateralMm!, 2);
  for (let i = 0; i < 3; i++) await page.keyboard.press('.');
  const deg = 3.5 * step;
  expect(await shown()).toBeCloseTo(hidden.read([deg])[0]!.lateralMm!, 2);
  const turns = [...advisedTruing(hidden)].flat();
  for (const [i, { spoke, eighths }] of turns.entries()) {
    const at = ((spoke - 0.5) * 360) / hidden.spokes;
    await page.getByLabel('Needle at').fill(`${at.toFixed(1)}°`);
    await page.getByLabel(`Nipple ${spoke}, how far`).selectOption(String(Math.abs(eighths)));
    await page.getByRole('button', { name: eighths > 0 ? 'Tighten' : 'Loosen' }).press('Enter');
    await expect(page.getByRole('heading', { name: new RegExp(`^${i + 1} nipple`) })).toBeVisible();
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Call it true' }).click();
  await expect(page.getByText(/True within /)).toBeVisible();
  await expect(page.getByRole('row', { name: /^Advised/ })).toContainText(String(turns.length));
  await page.getByRole('button', { name: 'Same wheel again' }).click();
  await expect(page.getByRole('heading', { name: '0 nipples turned' })).toBeVisible();
});

test(
  'sidewalls by keyboard: a wrong answer says why, the right ones end it',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/practice?kind=sidewall&level=one+step+apart&wheel=6');
    const { suits, refused, why } = hiddenSidewall(6, 'one step apart');
    await expect(page.getByRole('radio')).toHaveCount(4);
    await page.keyboard.press(String(refused + 1));
    await page.keyboard.press('f');
    const answers = page.getByRole('list', { name: 'Answers so far' });
    await expect(answers).toContainText(`Tire ${refused + 1} fits: no.`);
    await page.keyboard.press(String(suits + 1));
    await page.keyboard.press('f');
    await expect(answers).toContainText(`Tire ${suits + 1} fits: right.`);
    await page.getByLabel('Refused for').selectOption(why);
    await page.keyboard.press('Tab');
    await page.getByRole('radio').nth(refused).check();
    await page.getByRole('button', { name: `Refuse tire ${refused + 1}` }).press('Enter');
    await expect(page.getByRole('button', { name: 'Results' })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('n');
    await expect(page.getByText('Both right, after 1 wrong answer.')).toBeVisible();
    await expect(page.getByRole('row', { name: /^Advised/ })).toContainText('2');
  },
);

test('air by keyboard: above the limit is the end of it; the same tire again, as the ladder goes', async ({
  page,
  shop,
}) => {
  await openAs(page, shop, '/practice?kind=air&level=one+side+hangs&wheel=7');
  const hidden = hiddenAir(7, 'one side hangs');
  const binds =
    hidden.limitKpa === hidden.sidewallKpa
      ? 'sidewall'
      : hidden.limitKpa === hidden.rimKpa
        ? 'rim'
        : 'shop';
  await page.getByRole('textbox', { name: /^Air up to/ }).fill('70');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('a');
  await page.keyboard.press('n');
  await expect(page.getByText('Above the limit.')).toBeVisible();
  await expect(page.getByText('a bursting tire kills', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Same wheel again' }).click();
  await page.getByLabel('Limit you use').selectOption(binds);
  await page.getByRole('heading', { level: 1 }).click();
  const keys = { air: 'a', 'all out': 'o', lubricate: 'l', 'call it off': 'x' } as const;
  const acts = [...advisedAir(hidden)];
  for (const [i, act] of acts.entries()) {
    await page.keyboard.press(keys[act.do]);
    await expect(
      page.getByRole('list', { name: /^Moves so far/ }).getByRole('listitem'),
    ).toHaveCount(i + 1);
  }
  await expect(page.getByText('Both beads seated')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('n');
  await expect(page.getByText('Seated in 2 tries, never above the limit.')).toBeVisible();
});

test(
  'a ring by keyboard: crush, down by halves, pulled where it stands open, torqued once even',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/practice?kind=ring&wheel=132');
    const acts = [...advisedRing(hiddenRing(132, 'a ring that tilts'))];
    const keys = {
      bundle: 'b',
      gap: 'g',
      'half a turn each': 'h',
      torque: 'q',
      'call it off': 'x',
    } as const;
    const list = page.getByRole('list', { name: /^Moves so far/ }).getByRole('listitem');
    await expect(page.getByRole('button', { name: /^Bundle/ })).toBeVisible();
    let done = 0;
    for (const act of acts) {
      if ('bolt' in act)
        await page.getByLabel('Bolt', { exact: true }).selectOption(String(act.bolt));
      // Turns of three quarters and the like are made of those that there are.
      const presses = act.do === 'turn' ? act.quarters : 1;
      if (act.do === 'turn') await page.getByLabel('Turns so far').selectOption('1');
      await page.getByRole('heading', { level: 1 }).click();
      const key = act.do === 'feel' ? 'f' : act.do === 'turn' ? 't' : keys[act.do];
      for (let n = 0; n < presses; n++) await page.keyboard.press(key);
      done += presses;
      await expect(list).toHaveCount(done);
      if (done === 14) await expectAccessible(page);
    }
    await expect(page.getByText('Torqued', { exact: true }).first()).toBeVisible();
    await page.keyboard.press('n');
    await expect(page.getByText('Closed evenly and torqued.')).toBeVisible();
    await expect(page.getByText('No mistakes.')).toBeVisible();
  },
);

test(
  'a leak by keyboard: read on other days, told from the weather, and what is said too soon',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/practice?kind=leak&level=against+the+weather&wheel=3');
    const acts = [...advisedLeak(hiddenLeak(3, 'against the weather'))];
    await expect(page.getByRole('row')).toHaveCount(2);
    for (const [i, act] of acts.entries()) {
      await page.keyboard.press(act.do === 'read' ? '2' : act.do === 'leaks' ? 'l' : 'o');
      if (act.do === 'read') await expect(page.getByRole('row')).toHaveCount(3 + i);
      if (i === 2) await expectAccessible(page);
    }
    await expect(page.getByText(/Right, after \d+ days\./)).toBeVisible();
    await page.getByRole('button', { name: 'Same wheel again' }).click();
    await page.getByRole('button', { name: 'It leaks' }).click();
    await expect(page.getByText('That was luck', { exact: false })).toBeVisible();
  },
);

test(
  'a pair by keyboard: brought to one pressure, taped, told; and what the shop may see of it',
  { tag: '@long' },
  async ({ page, shop }) => {
    await openAs(page, shop, '/practice?kind=pair&level=aired+by+others&wheel=11');
    const acts = [...advisedPair(hiddenPair(11, 'aired by others'))];
    await expect(page.getByRole('radio')).toHaveCount(4);
    const moves = page.getByRole('list', { name: /^Moves so far/ }).getByRole('listitem');
    for (const [i, act] of acts.entries()) {
      if ('tire' in act) await page.keyboard.press(String(act.tire));
      if (act.do === 'pair')
        await page.getByLabel(`Tire ${act.tire} with`).selectOption(String(act.with));
      await page.getByRole('heading', { level: 1 }).click();
      await page.keyboard.press(act.do === 'air' ? 'a' : act.do === 'tape' ? 't' : 'p');
      await expect(moves).toHaveCount(i + 1);
    }
    await expectAccessible(page);
    await page.keyboard.press('n');
    await expect(page.getByText('A matched pair.')).toBeVisible();
    await expect(page.getByText('No mistakes.')).toBeVisible();
    await page.getByRole('button', { name: 'Back to the bench' }).click();
    const inTheShop = page.getByRole('region', { name: 'In the shop' });
    await expect(inTheShop).toContainText('No one is sharing practice results yet');
    const agree = page.getByLabel('Share my results');
    await agree.check();
    await expect(inTheShop).toContainText('Pair: 1 of 1 passed');
    await expectAccessible(page);
    await page.reload();
    await expect(agree).toBeChecked();
    await agree.uncheck();
    await expect(inTheShop).toContainText('No one is sharing practice results yet');
  },
);
