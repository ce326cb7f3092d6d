/** Parts of a turn that a fitter sets, as they are printed. */
const PARTS = [
  [0, ''],
  [1 / 8, '⅛'],
  [1 / 6, '⅙'],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [3 / 8, '⅜'],
  [1 / 2, '½'],
  [5 / 8, '⅝'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [5 / 6, '⅚'],
  [7 / 8, '⅞'],
] as const;

/** `½ turn`, `1¼ turns`, `⅔ turn`; to the nearest of the parts. */
export const turnsText = (turns: number): string => {
  const many = Math.abs(turns);
  const whole = Math.floor(many + 1 / 16);
  const [part, text] = PARTS.reduce((best, p) =>
    Math.abs(p[0] - (many - whole)) < Math.abs(best[0] - (many - whole)) ? p : best,
  );
  const number = whole === 0 ? text || '0' : `${whole}${text}`;
  const isOne = whole + part <= 1 && whole + part > 0;
  return `${number} ${isOne ? 'turn' : 'turns'}`;
};

/** The instruction for both adjusters alike. */
export const adjustText = (turns: number): string =>
  turns === 0
    ? 'Leave the adjusters alone.'
    : `${turnsText(turns)} ${turns > 0 ? 'back' : 'forward'}, both adjusters the same.`;
