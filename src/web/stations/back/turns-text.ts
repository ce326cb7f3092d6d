/** Turns of an adjuster as a fitter says them: quarters in words, `1½`. */
const PARTS = ['', '¼', '½', '¾'] as const;

/** `½ turn`, `1¼ turns`; to the nearest quarter. */
export const turnsText = (turns: number): string => {
  const quarters = Math.round(Math.abs(turns) * 4);
  const whole = Math.floor(quarters / 4);
  const part = PARTS[quarters % 4]!;
  const number = whole === 0 ? part || '0' : `${whole}${part}`;
  return `${number} ${quarters <= 4 && quarters > 0 ? 'turn' : 'turns'}`;
};

/** What to do at both adjusters alike. */
export const adjustText = (turns: number): string =>
  turns === 0
    ? 'Leave the adjusters as they are.'
    : `${turnsText(turns)} ${turns > 0 ? 'back' : 'forward'}, both adjusters alike.`;
