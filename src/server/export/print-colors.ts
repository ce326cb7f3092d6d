import type { DialRole } from '../../core/fit/wheels';

export const INK = '#22262a';
export const SOFT = '#5a5a55';

/** Print colors of a drawing: ink on paper, and never a meaning by color alone. */
export const PRINT: Record<DialRole, string> = {
  'line-open': '#ffffff',
  'line-even': '#8fbfbf',
  'line-low': '#a3321f',
  rubber: '#2c2f31',
  lug: '#ffffff',
  rim: '#c9c9c9',
  hub: '#ffffff',
  spoke: '#b7b7b7',
  ink: INK,
  label: INK,
  hour: SOFT,
  lock: INK,
  weight: INK,
  heavy: '#0f6f78',
  wedge: '#cfe3df',
  seat: '#17717d',
  live: '#0f6f78',
  mark: '#ffffff',
  arrow: '#ffffff',
  leader: INK,
  bite: '#ffffff',
  'bite-done': '#cfe3df',
  'bite-now': '#0f6f78',
  bead: '#2c2f31',
  'bead-bite': '#0f6f78',
  chain: '#2c2f31',
};

/** Width of a line in a drawing's own units. */
export const lineWidth = (role: DialRole): number => (role === 'lug' ? 7 : 2);
