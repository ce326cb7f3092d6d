import { coordinate, line, type DrawnShape } from '../../fit/drawing';

/** The field that it is drawn in. */
export const CHAIN_FIELD = { width: 600, height: 300 };

const SPROCKET = { left: 34, right: 62 };
const [LEFT_X, RIGHT_X] = [64, 516];
const LOWER_Y = 150;
/** Slack is drawn so many times as large as the run: to its scale it would be a few lines high. */
const LARGER = 2.5;
/** The deepest that the run is drawn, so that its words stay on the field. */
const MAX_DEPTH = 96;

/** The drawing's input: a lower run of chain. Lengths in mm. */
interface ChainView {
  slackMm: number;
  slackAfterMm: number;
  wantMinMm: number;
  wantMaxMm: number;
  runMm: number;
  /** Writes a length. */
  say: (mm: number) => string;
}

/**
 * The lower run of a chain between its sprockets, its slack drawn larger: as it hangs now (dashed),
 * as it hangs after, and the spec as a bar in the middle.
 */
export const chainDrawing = (view: ChainView): DrawnShape[] => {
  const { slackMm, slackAfterMm, wantMinMm, wantMaxMm, runMm, say } = view;
  const middle = (LEFT_X + RIGHT_X) / 2;
  const deepestMm = Math.max(slackMm, slackAfterMm, wantMaxMm);
  const scale = Math.min(
    ((RIGHT_X - LEFT_X) / runMm) * LARGER,
    (2 * MAX_DEPTH) / Math.max(1, deepestMm),
  );
  const circle = (
    cx: number,
    r: number,
    role: DrawnShape['role'],
    filled: boolean,
  ): DrawnShape => ({ kind: 'circle', role, cx, cy: LOWER_Y - r, r, filled });
  const words = (
    x: number,
    y: number,
    text: string,
    anchor: 'start' | 'middle' | 'end',
    role: DrawnShape['role'] = 'label',
  ): DrawnShape => ({ kind: 'text', role, x, y: coordinate(y), text, size: 18, anchor });
  /** The run pulled down by half of its play: the lowest point of the curve lies there. */
  const run = (role: DrawnShape['role'], slack: number): DrawnShape =>
    line(
      role,
      `M${LEFT_X} ${LOWER_Y}Q${middle} ${coordinate(LOWER_Y + slack * scale)} ${RIGHT_X} ${LOWER_Y}`,
    );
  const depth = (slack: number): number => LOWER_Y + (slack * scale) / 2;
  const isMoved = Math.abs(slackAfterMm - slackMm) >= 0.5;
  const lowest = depth(deepestMm);
  const top = { left: LOWER_Y - 2 * SPROCKET.left, right: LOWER_Y - 2 * SPROCKET.right };
  return [
    ...[
      { x: LEFT_X, r: SPROCKET.left },
      { x: RIGHT_X, r: SPROCKET.right },
    ].flatMap(({ x, r }) => [
      circle(x, r, 'rim', true),
      circle(x, r, 'ink', false),
      { ...circle(x, 9, 'hub', true), cy: LOWER_Y - r },
      { ...circle(x, 9, 'ink', false), cy: LOWER_Y - r },
    ]),
    line('chain', `M${LEFT_X} ${top.left}L${RIGHT_X} ${top.right}`),
    ...(isMoved ? [run('seat', slackMm)] : []),
    run('chain', slackAfterMm),
    line('leader', `M${middle} ${LOWER_Y}V${coordinate(depth(slackAfterMm))}`),
    line(
      'heavy',
      `M${middle + 30} ${coordinate(depth(wantMinMm))}h24m-12 0V${coordinate(depth(wantMaxMm))}m-12 0h24`,
    ),
    words(middle, LOWER_Y - 12, `${isMoved ? 'after' : 'slack'} ${say(slackAfterMm)}`, 'middle'),
    ...(isMoved ? [words(middle - 40, lowest + 26, `now ${say(slackMm)}`, 'end', 'live')] : []),
    words(middle + 24, lowest + 26, `spec ${say(wantMinMm)} to ${say(wantMaxMm)}`, 'start'),
    words(middle, CHAIN_FIELD.height - 12, `free chain run ${say(runMm)}`, 'middle'),
  ];
};
