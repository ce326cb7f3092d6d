import type { Page } from '@playwright/test';

/** How many characters a text may have, so that it is read at arm's length. */
const MAX = { button: 18, heading: 34, instruction: 60 } as const;
type Kind = keyof typeof MAX;

/** Texts that carry a name, a size or an amount of the shop's own, and two that need their words. */
const WITH_DATA = [
  /^Simulated instruments at stations$/,
  /^Cool: recheck bolts$/,
  /wheel\S/,
  /^From the /,
  /^Record OK: /,
  /^Check in /,
  /^Recheck bolts, cool at /,
  /^(Trial weight off\. )?(Put on|Tape) /,
];

/**
 * The visible buttons, headings and instructions of a page that are too long, with their length; a
 * page's own title is often the name of a machine, and is not counted.
 */
export const longTexts = async (page: Page): Promise<string[]> => {
  const found = await page.evaluate(() => {
    const wordsOf = (element: Element): string => {
      const copy = element.cloneNode(true) as Element;
      copy.querySelectorAll('.sr-only, kbd, svg').forEach((it) => it.remove());
      return (copy.textContent ?? '').replace(/\s+/g, ' ').trim();
    };
    const kindOf = (element: Element) => {
      if (element.matches('.btn')) return 'button';
      return element.matches('[aria-live]') ? 'instruction' : 'heading';
    };
    return [...document.querySelectorAll('.btn, h2, h3')]
      .filter((element) => element.checkVisibility())
      .map((element) => [kindOf(element), wordsOf(element)] as const);
  });
  return found
    .filter(([kind, text]) => text.length > MAX[kind as Kind])
    .filter(([, text]) => !WITH_DATA.some((it) => it.test(text)))
    .map(([kind, text]) => `${kind}, ${text.length}: ${text}`);
};
