import type { DrawnShape, ShapeRole } from '../../core/fit/drawing';

export const INK = '#22262a';
export const SOFT = '#5a5a55';

/** The color of each role of shape. */
export type Colors = Record<ShapeRole, string>;

/** Print colors of a drawing: ink on paper, and never a meaning by color alone. */
export const PRINT: Colors = {
  'line-open': '#ffffff',
  'line-even': '#8fbfbf',
  'line-low': '#a3321f',
  rubber: '#2c2f31',
  sidewall: '#3d4144',
  groove: '#6b7073',
  molding: '#d5d2c8',
  rim: '#c9c9c9',
  ring: '#d9cfbd',
  plate: '#e2ddd2',
  hub: '#c2c2c2',
  open: '#ffffff',
  edge: '#55595c',
  spoke: '#8d9092',
  'spoke-far': '#c4bba9',
  cast: '#c2c4c4',
  disc: '#d9cfbd',
  drive: '#a9a49a',
  'rubber-cut': '#2c2f31',
  'rim-cut': '#8d9092',
  'strip-cut': '#b0622a',
  'lock-cut': '#2a2c2e',
  lever: '#2a2c2e',
  finding: '#b0622a',
  tube: '#cfe3df',
  'tube-edge': '#0f6f78',
  valve: '#0f6f78',
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
  'leader-on-rubber': '#d5d2c8',
  bite: '#ffffff',
  'bite-done': '#cfe3df',
  'bite-now': '#0f6f78',
  bead: '#2c2f31',
  'bead-bite': '#0f6f78',
  chain: '#2c2f31',
};

const FINE: ReadonlySet<ShapeRole> = new Set(['edge', 'groove', 'spoke-far']);

/** Width of a line in a drawing's own units. */
export const lineWidth = (shape: DrawnShape): number =>
  (shape.kind === 'path' ? shape.width : undefined) ?? (FINE.has(shape.role) ? 1.2 : 2);

/** Colors of small wheels on the screen: those of the dial, on the ground of a list. */
export const ICON_COLORS = {
  light: {
    ...PRINT,
    open: '#ece5d8',
    rim: '#9a9c9a',
    hub: '#9a9c9a',
    cast: '#9a9c9a',
    disc: '#d2c4ab',
  },
  dark: {
    ...PRINT,
    rubber: '#3a4043',
    sidewall: '#24282a',
    groove: '#6b7275',
    open: '#1b1f22',
    rim: '#8f9694',
    hub: '#8f9694',
    cast: '#8f9694',
    plate: '#514c42',
    ring: '#6b6456',
    disc: '#514c42',
    edge: '#a7aaa4',
    ink: '#efe9dc',
    spoke: '#a7aaa4',
    'spoke-far': '#6b675e',
    valve: '#4fbfc4',
  },
} as const satisfies Record<string, Colors>;
