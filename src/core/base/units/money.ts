/** Digits of the smallest coin of a currency, by ISO 4217 as the runtime knows it. */
const digitsOf = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions()
    .maximumFractionDigits ?? 2;

/** An amount in the smallest coin as it is read: `$12.50`. `currency` a code of ISO 4217. */
export const formatMoney = (minor: number, currency: string): string =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).format(
    minor / 10 ** digitsOf(currency),
  );

/**
 * A typed amount, `12.50` or `12,50`, in the smallest coin; null where it is none, or has more
 * digits than the coin.
 */
export const parseMoney = (typed: string, currency: string): number | null => {
  const match = /^(\d{1,7})(?:[.,](\d{1,3}))?$/.exec(typed.trim());
  const digits = digitsOf(currency);
  if (!match || (match[2]?.length ?? 0) > digits) return null;
  return Number(match[1]) * 10 ** digits + Number((match[2] ?? '').padEnd(digits, '0') || 0);
};

/** An amount as it is typed: `12.50`. */
export const writeMoney = (minor: number, currency: string): string =>
  (minor / 10 ** digitsOf(currency)).toFixed(digitsOf(currency));
