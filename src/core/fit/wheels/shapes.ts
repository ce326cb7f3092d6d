import type { DialRole, DialShape } from './wheel-dial';

/** A coordinate of a drawing: a tenth of its unit is finer than a screen shows. */
export const coordinate = (value: number): number => Math.round(value * 10) / 10;

/** A line of a drawing, not filled; `d` as in SVG. */
export const line = (role: DialRole, d: string): DialShape => ({
  kind: 'path',
  role,
  d,
  filled: false,
});
