import { test as base, expect, type Page } from '@playwright/test';
import type { RunOptions } from 'axe-core';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const READY = /ready: (http:\/\/\S+)/;

let filled: string | undefined;

/** The demo shop, filled once for each worker and copied for each test. */
const template = (): string => {
  if (filled) return filled;
  // The whole check fills it once for all workers.
  if (process.env.E2E_DEMO) return (filled = process.env.E2E_DEMO);
  const file = join(mkdtempSync(join(tmpdir(), 'rimstone-demo-')), 'shop.sqlite');
  const { status, stderr } = spawnSync('node', ['dist/server/fill-demo.cjs', file], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(stderr);
  process.once('exit', () => rmSync(dirname(file), { recursive: true, force: true }));
  return (filled = file);
};

/** A shop of its own: a fresh demo database and a server on a free port. */
export class TestShop {
  readonly dir = mkdtempSync(join(tmpdir(), 'rimstone-'));
  readonly file = join(this.dir, 'shop.sqlite');
  private child: ChildProcess | undefined;
  url = '';

  fillDemo(): void {
    copyFileSync(template(), this.file);
  }

  /** Starts the server; after the first time on the same port, as a shop's machine would. */
  start(): Promise<void> {
    const port = this.url ? new URL(this.url).port : '0';
    const child = spawn('node', ['dist/server/main.cjs', '--new'], {
      // What is tried here is not how fast a busy machine is.
      env: {
        ...process.env,
        PORT: port,
        HOST: '127.0.0.1',
        RIMSTONE_DB: this.file,
        RIMSTONE_WORK_MS: '90000',
      },
    });
    this.child = child;
    return new Promise((resolve, reject) => {
      child.stdout.on('data', (chunk: Buffer) => {
        const found = READY.exec(chunk.toString());
        if (!found) return;
        this.url = found[1]!;
        resolve();
      });
      child.stderr.on('data', (chunk: Buffer) => reject(new Error(chunk.toString())));
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
  }

  /** `SIGKILL` is a power cut: nothing is closed. */
  stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
    return new Promise((resolve) => {
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  }

  async end(): Promise<void> {
    await this.stop('SIGKILL');
    rmSync(this.dir, { recursive: true, force: true });
  }
}

export const test = base.extend<{ shop: TestShop }>({
  shop: async ({ browserName: _any }, use) => {
    const shop = new TestShop();
    shop.fillDemo();
    await shop.start();
    await use(shop);
    await shop.end();
  },
});

/** The units that the texts of these tests are in, whatever the shop's are. */
export const TEST_UNITS = {
  pressure: 'psi',
  length: 'mm',
  mass: 'g',
  torque: 'N·m',
  temperature: '°C',
};

/** Opens a screen as a fitter of the demo shop; a defect on the page fails the test. */
export const openAs = async (
  page: Page,
  shop: TestShop,
  path: string,
  theme: 'day' | 'night' = 'day',
): Promise<void> => {
  page.on('pageerror', (error) => {
    throw error;
  });
  const prefs = JSON.stringify({ who: 'Juna Birk', theme, units: TEST_UNITS });
  await page.addInitScript((fresh) => {
    if (!localStorage.getItem('rimstone-prefs')) localStorage.setItem('rimstone-prefs', fresh);
  }, prefs);
  await page.goto(shop.url + path);
};

/** Starts a job by its machine and wheel, from the jobs list. */
export const startJob = async (page: Page, machine: string, wheel: string): Promise<string> => {
  await page.getByRole('link', { name: 'Check in a machine' }).click();
  await page.getByLabel('Machine or rider').fill(machine);
  // The server finds it. Until then all of them stand there, and a row that moves takes no tap.
  await expect(page.getByRole('main').getByRole('heading', { level: 2 })).toHaveCount(1);
  const row = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: machine }) });
  await row.getByRole('button', { name: wheel }).first().click();
  await expect(page.getByRole('heading', { name: 'What comes off?' })).toBeVisible();
  return /jobs\/([\w-]+)\//.exec(page.url())![1]!;
};

/** Goes to a step of the station by its words. */
export const toStep = async (page: Page, says: RegExp): Promise<void> => {
  const all = page.getByRole('button', { name: /^All \d+ steps$/ });
  const steps = page.getByRole('list', { name: 'Steps' });
  await expect(all.or(steps).first()).toBeVisible();
  if (await all.isVisible()) await all.click();
  await page.getByRole('list', { name: 'Steps' }).getByRole('button', { name: says }).click();
};

/** Ticks every step of a station by key and goes on; says how many there were. */
export const tickAll = async (page: Page, station: string): Promise<number> => {
  await expect(page).toHaveURL(new RegExp(`/${station}$`));
  const lead = page.getByText(/^Step 1 of \d+$/);
  await expect(lead).toBeVisible();
  const total = Number(/\d+$/.exec((await lead.textContent())!)![0]);
  for (let i = 1; i <= total; i++) {
    await expect(page.getByText(`Step ${i} of ${total}`)).toBeVisible();
    await page.keyboard.press('n');
  }
  await expect(page.getByText(`All ${total} steps done`)).toBeVisible();
  await page.keyboard.press('n');
  return total;
};

/** Does one step after the other until the station says this. */
export const untilNow = async (page: Page, says: string): Promise<void> => {
  const now = page.getByRole('heading', { level: 2 }).first();
  await expect(now).toBeVisible();
  for (let i = 0; i < 20 && (await now.textContent()) !== says; i++) {
    const before = (await now.textContent())!;
    await page.keyboard.press('n');
    await expect(now).not.toHaveText(before);
  }
  await expect(now).toHaveText(says);
};

/** Hands over a wheel whose log does not prove all, by name and reason. */
export const handOverAllTheSame = async (page: Page, why: string): Promise<void> => {
  await page.getByRole('button', { name: 'Release anyway' }).click();
  await expect(page.getByText('Enter who releases it.')).toBeVisible();
  await expect(page.getByText('Enter the reason for release.')).toBeVisible();
  await page.getByLabel('Released by').fill('Juna Birk');
  await page.getByLabel('Reason for release').fill(why);
  await page.getByRole('button', { name: 'Release anyway' }).click();
  await expect(page.getByText(/^Handed over to /)).toBeVisible();
};

/**
 * Does something that writes into a log, and waits for the server's word: a page that is left
 * before may not hear it.
 */
export const confirmed = async (page: Page, act: () => Promise<void>): Promise<void> => {
  const answer = page.waitForResponse((r) => r.url().endsWith('/entries') && r.status() === 201);
  await act();
  await answer;
};

const AXE = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');
const WCAG_AA = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];

/** Checks a page by axe against WCAG 2.1 AA, or against some of its rules. */
export const expectAccessible = async (page: Page, rules?: string[]): Promise<void> => {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  const options: RunOptions = {
    resultTypes: ['violations'],
    runOnly: rules ? { type: 'rule', values: rules } : { type: 'tag', values: WCAG_AA },
  };
  const violations = await page.evaluate(async (asked) => {
    const { axe } = window as unknown as { axe: typeof import('axe-core') };
    const found = await axe.run(document, asked);
    return found.violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map((n) => n.target.join(' ')).join(' | ')}`,
    );
  }, options);
  expect(violations).toEqual([]);
};

export { expect };
