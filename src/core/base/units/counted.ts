/**
 * So many of a thing, in words that fit the number: 1 bite, 2 bites. `many` where it is not the
 * thing with an s.
 */
export const counted = (n: number, one: string, many = `${one}s`): string =>
  `${n} ${n === 1 ? one : many}`;
