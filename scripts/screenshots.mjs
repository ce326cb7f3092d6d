// Takes the pictures of docs/screenshots from a fresh demo shop. Needs a build and Chromium.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER_ARGS, browserPath } from './browsers.mjs';
import { PROJECT, ensureBuilt, ensureInstalled, run } from './install.mjs';

const OUT = join(PROJECT, 'docs', 'screenshots');
const DAY = { theme: 'day', width: 1280, height: 800 };

/** File name, address, and what differs from a 1280 by 800 picture by day. */
const VIEWS = [
  ['today', '/'],
  ['plan', '/plan'],
  ['intake', '/jobs/demo-job-21/intake'],
  ['choose', '/jobs/demo-job-23/choose', { pick: /120\/80-19/ }],
  ['ring', '/jobs/demo-job-31/tire-on'],
  ['seat', '/jobs/demo-job-22/seat', { hose: true }],
  ['set', '/jobs/demo-job-21/set'],
  ['balance', '/jobs/demo-job-21/balance', { standIns: false }],
  ['bench-night', '/jobs/demo-job-23/tire-off/bench', { theme: 'night' }],
  ['wheel-back', '/jobs/demo-job-21/wheel-back'],
  ['hand-over', '/jobs/demo-job-20/hand-over'],
  ['pair', '/wheels/w-quill-lr/pair'],
  ['working', '/jobs/demo-job-21/balance', { press: 'w', standIns: false }],
  ['instruments', '/instruments', { frozen: 'caliper' }],
  ['practice', '/practice?kind=levers&level=with+a+lock&wheel=12', { practice: true }],
  ['paper', '/visits/demo-job-20/paper'],
  ['wheel', '/wheels/w-orrin-r'],
  ['size-bench', '/bench/sizes?size=110/90-19&size=120/80-19&size=100/90-19&wheel=w-orrin-r'],
  ['sidewall', '/bench/sidewall?marking=120/70%20ZR%2017%20M/C%20(58W)%20TL'],
];

ensureInstalled();
ensureBuilt();
const dir = mkdtempSync(join(tmpdir(), 'rimstone-shots-'));
const file = join(dir, 'shop.sqlite');
run('node', ['dist/server/fill-demo.cjs', file]);
const server = spawn('node', ['dist/server/main.cjs'], {
  cwd: PROJECT,
  env: { ...process.env, PORT: '0', RIMSTONE_DB: file },
});
const url = await new Promise((resolve) =>
  server.stdout.on('data', (c) => resolve(/http:\S+/.exec(c.toString())[0])),
);

const post = async (path, body) => {
  const response = await fetch(url + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(await response.text());
  return response.json();
};
const append = async (job, station, entries) => {
  const { job: now } = await (await fetch(`${url}/api/jobs/${job}`)).json();
  const bodies = entries.map(([kind, data], i) => ({
    id: `${job}-shot-${station}-${i}`,
    who: 'Juna Birk',
    station,
    kind,
    data,
  }));
  await post(`/api/jobs/${job}/entries`, { expectedSeq: now.lastSeq, entries: bodies });
};
await append(
  'demo-job-22',
  'tire-on',
  ['arrow', 'shake', 'soap', 'first', 'mark', 'start'].map((s) => ['step', { stepId: `on-${s}` }]),
);
await post('/api/jobs', {
  id: 'demo-job-23',
  machineId: 'm-orrin',
  wheelId: 'w-orrin-r',
  who: 'Juna Birk',
});
await append('demo-job-23', 'intake', [
  ['came-off', { marking: '110/90-19 62M TT', dateCode: null, treadMm: 3.5, use: 'dirt' }],
  ['clearance', { place: 'above', mm: 24, load: 'on the stand, unloaded' }],
]);
await append(
  'demo-job-23',
  'tire-off',
  ['core', 'nut', 'lock', 'break', 'soap'].map((s) => ['step', { stepId: `toff-${s}` }]),
);

await append('demo-job-31', 'tire-on', [
  ...['arrow', 'shake', 'soap', 'step', 'ring'].map((s) => ['step', { stepId: `on-${s}` }]),
  [
    'ring-gap',
    {
      ring: 'outer',
      when: 'before the torque',
      readings: [1.4, 1.35, 1.25, 1.2, 1.2, 1.25, 1.3, 1.35].map((gapMm, i) => ({
        deg: 45 * i,
        gapMm,
      })),
    },
  ],
  ...[1, 2, 3, 4, 5, 6].map((bolt) => [
    'ring-bolt',
    { ring: 'outer', pass: 1, bolt, torqueNm: 22, device: null },
  ]),
]);

const put = (name, what, body) =>
  fetch(`${url}/api/devices/${encodeURIComponent(name)}/${what}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
/** Air in until both beads have let go, each pop marked, then held. */
const seatOnTheHose = async (page) => {
  await put('hose gauge', 'hold', { fit: 'tight', valve: 'in', core: 'out' });
  for (let pops = 0; pops < 2; pops++) {
    await page.getByText('Pop heard!').waitFor();
    await page.keyboard.press('p');
    await page.getByText('Pop heard!').waitFor({ state: 'hidden' });
  }
  await put('hose gauge', 'hold', { valve: 'hold' });
  const dial = page.locator('svg.dial').first();
  const { width, height } = await dial.boundingBox();
  // A place on the sidewall, in units of the dial's field.
  const r = 245 * Math.min(width / 612, height / 598);
  for (const deg of [45, 90, 180]) {
    const turn = (deg * Math.PI) / 180;
    const position = { x: width / 2 + r * Math.sin(turn), y: height / 2 - r * Math.cos(turn) };
    await dial.click({ position });
  }
  await page.getByLabel('Low at, other side').selectOption('135');
  await page.waitForTimeout(1200);
};

/** A second bead begun, and a dozen bites taken. */
const someMoves = async (page) => {
  await page.getByRole('textbox', { name: 'Start at' }).fill('270');
  await page.getByRole('button', { name: 'Start here' }).click();
  for (const name of [
    'Feel for the tube',
    ...Array(6).fill('Bite clockwise'),
    ...Array(5).fill('Bite counterclockwise'),
  ])
    await page.getByRole('button', { name }).click();
};

const browser = await chromium.launch({ executablePath: browserPath(), args: BROWSER_ARGS });
mkdirSync(OUT, { recursive: true });
for (const [name, path, more] of VIEWS) {
  const { theme, width, height, press, pick, hose, frozen, practice, standIns } = {
    ...DAY,
    standIns: true,
    ...more,
  };
  const context = await browser.newContext({
    viewport: { width, height },
    reducedMotion: 'reduce',
  });
  await context.addInitScript(
    ([t, wanted]) =>
      localStorage.setItem(
        'rimstone-prefs',
        JSON.stringify({ theme: t, who: 'Juna Birk', standIns: wanted }),
      ),
    [theme, standIns],
  );
  const page = await context.newPage();
  await page.goto(url + path, { waitUntil: 'load' });
  await page.waitForTimeout(800);
  if (hose) await seatOnTheHose(page);
  if (frozen) {
    await put(frozen, 'fail', { fails: 'freeze' });
    await page.waitForTimeout(4500);
  }
  if (practice) await someMoves(page);
  if (pick) await page.getByRole('radio', { name: pick }).click();
  // The advice is computed beside the screen, and its math with it.
  if (path.endsWith('/balance')) await page.getByRole('heading', { name: /Put on/ }).waitFor();
  if (press) await page.keyboard.press(press);
  await page.getByRole('heading', { name: 'Calculating' }).waitFor({ state: 'hidden' });
  // So is the plan of the day.
  await page.getByText('Planning the day …').waitFor({ state: 'hidden' });
  await page
    .getByText(/^Loading .*…$/)
    .first()
    .waitFor({ state: 'hidden' });
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(OUT, `${name}.png`) });
  await context.close();
}
await browser.close();
server.kill();
// It closes its files first.
await new Promise((resolve) => server.once('exit', resolve));
rmSync(dir, { recursive: true, force: true });
console.log(`${VIEWS.length} pictures in docs/screenshots`);
