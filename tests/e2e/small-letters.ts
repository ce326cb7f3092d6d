import type { Page } from '@playwright/test';

/** The smallest letters that are read at arm's length, in px. */
const MIN_INSTRUCTION = 28;

/**
 * The texts of a station that are too small: an instruction under 28 px, or a word on the dial under
 * `minOnDial`. What is hidden from a screen reader, such as the sidewall's own marking, is not
 * counted.
 */
export const smallLetters = async (page: Page, minOnDial: number): Promise<string[]> => {
  const found = await page.evaluate(() => {
    const instructions = [...document.querySelectorAll('h2[aria-live]')].map((element) => ({
      text: element.textContent ?? '',
      px: Number.parseFloat(getComputedStyle(element).fontSize),
      isOnDial: false,
    }));
    const words = [...document.querySelectorAll<SVGTextElement>('svg.dial text')]
      .filter((element) => element.closest('[aria-hidden]') === null && element.checkVisibility())
      .map((element) => ({
        text: element.textContent ?? '',
        px:
          Number.parseFloat(getComputedStyle(element).fontSize) * (element.getScreenCTM()?.d ?? 0),
        isOnDial: true,
      }));
    return [...instructions, ...words];
  });
  return found
    .filter(({ px, isOnDial }) => px < (isOnDial ? minOnDial : MIN_INSTRUCTION) - 0.05)
    .map(({ text, px }) => `${text}: ${px.toFixed(1)} px`);
};
