import type { Page } from '@playwright/test';
import type { MassVector } from '../../src/core/bench/balance';
import { foldJob, type Entry } from '../../src/core/job';
import { hiddenStand } from '../../src/core/practice';
import { parseAngle } from '../../src/core/base/units';
import { expect } from './shop';

/** What is on the wheel, as the job's log on the server has it. */
export const balanceOf = async (page: Page) => {
  const id = /jobs\/([\w-]+)\//.exec(page.url())![1]!;
  const { entries } = (await (
    await page.request.get(`/api/jobs/${id}`.replace(/^/, new URL(page.url()).origin))
  ).json()) as { entries: Entry[] };
  return foldJob(entries).balance;
};

/** The advice stands when it is worked out for everything that was written. */
export const settled = (page: Page) => expect(page.locator('[aria-busy=false]')).toBeVisible();

/**
 * Plays a wheel that no one can look into: answers what the screen asks until it says that it is
 * balanced. Says how often weights went on.
 */
export const balanceAsAdvised = async (
  page: Page,
  heavy: MassVector,
  bandG = 2,
): Promise<number> => {
  const stand = hiddenStand(heavy, bandG);
  const tries = page.getByRole('list', { name: 'Readings so far' }).getByRole('listitem');
  for (let act = 0; act < 30; act++) {
    await settled(page);
    const before = await tries.count();
    const asked = (await page.getByRole('heading', { level: 2 }).first().textContent())!;
    const { on } = await balanceOf(page);
    if (asked.startsWith('Balanced.')) {
      await page.getByRole('button', { name: 'Save' }).click();
      await expect(page.getByRole('button', { name: 'Go to the machine' })).toBeVisible();
      const { placements } = await balanceOf(page);
      expect(stand.leftG((await balanceOf(page)).on)).toBeLessThan(5);
      return placements;
    }
    if (asked.includes('settle')) {
      const from = (await page.getByLabel('Released from').inputValue()) as 'left' | 'right';
      await page.getByLabel('Place at the bottom').fill(`${Math.round(stand.settle(on, from))}°`);
      await page.getByRole('button', { name: 'Use reading' }).click();
    } else if (asked.startsWith('Hold')) {
      const deg = parseAngle(/Hold ([\d:]+) level/.exec(asked)![1]!);
      await page.getByRole('button', { name: `It ${stand.level(deg, on)}` }).click();
    } else {
      expect(asked).toMatch(/^(Trial weight off\. )?(Put on|Tape|No weight)/);
      await page
        .getByRole('button', { name: /^Weights? (are|is) on|^Save$/ })
        .first()
        .click();
    }
    await expect.poll(() => tries.count()).toBeGreaterThan(before);
  }
  throw new Error('It is not balanced after thirty acts');
};
