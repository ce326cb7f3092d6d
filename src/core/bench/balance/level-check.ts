import { angleBetween, normalDeg } from '../../base/units';
import { sumParts, type MassVector } from './mass-vector';
import type { LevelTest, Observation } from './observation';

/**
 * A record has at least so many level tests with the final weights: at 3 and at 9 o'clock. Common
 * practice.
 */
export const MIN_TESTS = 2;
/** Lines through the axle that tell of different directions. */
const APART_DEG = 60;
/** Places that are one and the same to a hand. */
const SAME_DEG = 20;
/** The test covers the wheel if no two neighboring places are farther apart than this. */
const MAX_GAP_DEG = 180 + SAME_DEG;

/** The hour at which a place is level on a side: 9 o'clock on the left, 3 on the right. */
export const levelHour = (at: 'left' | 'right'): string =>
  at === 'left' ? '9 o’clock' : '3 o’clock';

const OPPOSITE = { rises: 'sinks', sinks: 'rises', stays: 'stays' } as const;

/**
 * A level test as if its place had been held at 3 o'clock: at 9 the opposite place does the
 * opposite.
 */
const atRight = ({ deg, at, moved }: LevelTest): Pick<LevelTest, 'deg' | 'moved'> =>
  at === 'left' ? { deg: normalDeg(deg + 180), moved: OPPOSITE[moved] } : { deg, moved };

/** The angle between two lines through the axle, up to 90. */
const acrossDeg = (a: number, b: number): number => {
  const apart = Math.abs(angleBetween(a, b));
  return Math.min(apart, 180 - apart);
};

export const levelTestsOf = (seen: readonly Observation[]): LevelTest[] =>
  seen.filter((o) => o.kind === 'level');

/**
 * Whether places were held level on both sides of the axle and along two lines. If all of them
 * stay, that bounds what is left and any tilt of the stand: a place that stays put at 3 and at 9
 * o'clock, and one across from it. Common practice.
 */
const covers = (tests: readonly LevelTest[]): boolean => {
  const degs = tests.map((t) => atRight(t).deg).sort((a, b) => a - b);
  if (!degs.some((a) => degs.some((b) => acrossDeg(a, b) >= APART_DEG))) return false;
  return degs.every((deg, i) => {
    const next = degs[i + 1] ?? degs[0]! + 360;
    return next - deg <= MAX_GAP_DEG;
  });
};

/**
 * Whether the closing test has its answer: all of it was made, or a place moved and was held on the
 * other side as well. `now`: seen with the weights that are on alone.
 */
export const isAnswered = (now: readonly Observation[]): boolean => {
  const tests = levelTestsOf(now);
  if (covers(tests)) return true;
  const held = tests.map((t) => ({ deg: atRight(t).deg, moved: t.moved }));
  return held.some(
    (a) =>
      a.moved !== 'stays' &&
      held.some((b) => Math.abs(angleBetween(a.deg, b.deg)) >= 180 - SAME_DEG),
  );
};

/** Whether a place moved when it was let go. */
export const hasMoved = (now: readonly Observation[]): boolean =>
  levelTestsOf(now).some((t) => t.moved !== 'stays');

/** Whether it was made and every place stayed, the last ones without a break. */
export const isLevel = (now: readonly Observation[]): boolean => {
  const tests = levelTestsOf(now);
  return covers(tests.slice(tests.findLastIndex((t) => t.moved !== 'stays') + 1));
};

/**
 * The next place of the closing test: the first at 3 o'clock, the same at 9, then a quarter turn
 * on.
 */
export const nextLevelTest = (
  now: readonly Observation[],
  firstDeg: number,
): { deg: number; at: 'left' | 'right' } => {
  const tests = levelTestsOf(now);
  const last = tests.at(-1);
  if (!last) return { deg: firstDeg, at: 'right' };
  const held = tests.map((t) => atRight(t).deg);
  const isHeld = (deg: number) => held.some((d) => Math.abs(angleBetween(d, deg)) <= SAME_DEG);
  const first = tests[0]!;
  const ways = [
    { deg: first.deg, at: first.at === 'left' ? ('right' as const) : ('left' as const) },
    { deg: normalDeg(first.deg + 90), at: 'right' as const },
    { deg: normalDeg(first.deg + 90), at: 'left' as const },
  ];
  const open = ways.find(
    (way) => !isHeld(atRight({ ...way, kind: 'level', moved: 'stays', weights: [] }).deg),
  );
  return open ?? { deg: normalDeg(last.deg + 90), at: 'right' };
};

/**
 * Whether a place goes one way at 3 o'clock and the opposite way at 9: the stand itself turns the
 * wheel, or one of the two was entered wrong.
 */
export const isLopsided = (now: readonly Observation[]): boolean => {
  const turns = levelTestsOf(now)
    .filter((t) => t.at)
    .map(atRight);
  return turns.some((a) =>
    turns.some(
      (b) =>
        a.moved !== 'stays' &&
        a.moved === b.moved &&
        Math.abs(angleBetween(a.deg, b.deg)) >= 180 - SAME_DEG,
    ),
  );
};

/**
 * Whether a place moved the same way at 3 and at 9 o'clock: what moves it is on the wheel, and not
 * a tilt of the stand.
 */
export const movesEvenly = (now: readonly Observation[]): boolean => {
  const turns = levelTestsOf(now)
    .filter((t) => t.at && t.moved !== 'stays')
    .map(atRight);
  return turns.some((a) =>
    turns.some(
      (b) => a.moved !== b.moved && Math.abs(angleBetween(a.deg, b.deg)) >= 180 - SAME_DEG,
    ),
  );
};

/** The distance of an observation's weights from others, as vectors, grams. */
const farFrom = (seen: Observation, on: readonly MassVector[]): number => {
  const [a, b] = [sumParts(seen.weights), sumParts(on)];
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
};

/** Weights that are the same to a scale. */
const SAME_G = 0.05;

/**
 * Readings with weights that differ from the present ones by no more than `withinG`, as vectors.
 */
export const seenNear = (
  seen: readonly Observation[],
  on: readonly MassVector[],
  withinG: number,
): readonly Observation[] => seen.filter((o) => farFrom(o, on) <= withinG + SAME_G);

const setKey = ({ weights }: Observation): string =>
  sumParts(weights)
    .map((v) => v.toFixed(1))
    .join();

/**
 * The number of sets of weights that differ from the present ones by no more than so much, the
 * present ones left out.
 */
export const triedNear = (
  seen: readonly Observation[],
  on: readonly MassVector[],
  withinG: number,
): number =>
  new Set(
    seenNear(seen, on, withinG)
      .filter((o) => farFrom(o, on) > SAME_G)
      .map(setKey),
  ).size;

/** The number of different sets of weights that readings were taken with. */
export const setsOf = (seen: readonly Observation[]): number => new Set(seen.map(setKey)).size;
