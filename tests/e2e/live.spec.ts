import { expect, openAs, test } from './shop';

test('what another bench writes stands on this screen within a second, and two at one job see each other', async ({
  page,
  browser,
  shop,
}) => {
  page.setDefaultTimeout(90_000);
  await openAs(page, shop, '/jobs/demo-job-22/tire-on');
  await expect(page.getByText('Step 1 of 9')).toBeVisible();
  const tablet = await (await browser.newContext()).newPage();
  await tablet.addInitScript(() =>
    localStorage.setItem('rimstone-prefs', JSON.stringify({ who: 'Osk Tarrow', theme: 'day' })),
  );
  await tablet.goto(`${shop.url}/jobs/demo-job-22/tire-on`);
  await expect(tablet.getByText('Juna Birk is also here')).toBeVisible();
  await expect(page.getByText('Osk Tarrow is also here')).toBeVisible();

  const written = tablet.waitForResponse((r) => r.url().endsWith('/entries') && r.status() === 201);
  await tablet.keyboard.press('n');
  await written;
  const began = Date.now();
  await expect(page.getByText('Step 2 of 9')).toBeVisible();
  const tookMs = Date.now() - began;
  test.info().annotations.push({ type: 'seen after', description: `${tookMs} ms` });
  // It follows on: no one is told that the log has moved.
  await page.keyboard.press('n');
  await expect(page.getByText('Step 3 of 9')).toBeVisible();
  await expect(tablet.getByText('Step 3 of 9')).toBeVisible();

  // Gone to the day, he is not at the job anymore, and the day hears of it as well.
  await tablet.goto(`${shop.url}/`);
  await expect(page.getByText('Osk Tarrow is also here')).toHaveCount(0);
  await page.request.post(`${shop.url}/api/people`, { data: { name: 'Ines Varo' } });
  await tablet.getByRole('button', { name: /^Bench/ }).click();
  await expect(tablet.getByRole('option', { name: 'Ines Varo' })).toHaveCount(1);

  // The server was away: what was written meanwhile is there when it is back.
  await shop.stop();
  await shop.start();
  const { job } = await (await page.request.get(`${shop.url}/api/jobs/demo-job-22`)).json();
  const entry = {
    id: 'while-away',
    who: 'Osk Tarrow',
    station: 'tire-on',
    kind: 'note',
    data: { text: 'Back again.' },
  };
  await page.request.post(`${shop.url}/api/jobs/demo-job-22/entries`, {
    data: { expectedSeq: job.lastSeq, entries: [entry] },
  });
  await page.getByRole('link', { name: 'Log' }).click();
  await expect(page.getByText('Back again.')).toBeVisible();
  await tablet.context().close();
});
