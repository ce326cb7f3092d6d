/** The text with a small first letter, unless it begins with an abbreviation such as `PIN`. */
export const lowerFirst = (text: string): string =>
  /^[A-Z]([^A-Z]|$)/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

/** The text with a capital first letter. */
export const upperFirst = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The noun after `a` or `an`, by its first letter. */
export const withArticle = (noun: string): string =>
  `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`;
