import { believe } from './belief';
import { asksToTurn, deceivesTests, doubtOf, isOutvoted, STORIES } from './doubt';
import { sumVectors, type MassVector } from './mass-vector';
import type { Observation } from './observation';

/** A stand of 1 g; a wheel with 40 g at 210°. */
const KNOWN = { bandG: 1 };
const HEAVY = { massG: 40, deg: 210 };
const mirrored = (w: MassVector): MassVector => ({ ...w, deg: (360 - w.deg) % 360 });

/** Where it rests with these on, written down with `said` instead. */
const rests = (on: readonly MassVector[], said = on): Observation[] =>
  [-0.5, 0.5].map((off) => ({
    kind: 'settle',
    restDeg: (sumVectors([HEAVY, ...on]).deg + off + 360) % 360,
    from: null,
    weights: said,
  }));
const doubt = (seen: Observation[]) => doubtOf(believe(seen, KNOWN), seen, KNOWN);

const FIRST = [{ massG: 40, deg: 70 }];
const SECOND = [{ massG: 30, deg: 320 }];

test('what goes together is not doubted, nor a single reading', () => {
  expect(doubt([...rests([]), ...rests(FIRST), ...rests(SECOND)])).toBeNull();
  expect(doubt(rests([]).slice(0, 1))).toBeNull();
});

test('all weights from the other side: the first reading with weights is named', () => {
  const both = [
    ...rests([]),
    ...rests(FIRST, FIRST.map(mirrored)),
    ...rests(SECOND, SECOND.map(mirrored)),
  ];
  expect(doubt(both)).toMatchObject({ story: 'weights mirrored', reading: 2 });
  expect(doubt(both)!.says).toMatch(/entered from the other side/);
});

test('one of two sets from the other side: its own first reading is named', () => {
  const second = [...rests([]), ...rests(FIRST), ...rests(SECOND, SECOND.map(mirrored))];
  expect(doubt(second)).toMatchObject({ story: 'weights mirrored', reading: 4 });
});

test('a single rest from the other side is named by its number, from one on', () => {
  const seen = [...rests([]), ...rests(FIRST), ...rests(SECOND)];
  const swapped = seen.map((o, i) =>
    i === 3 && o.kind === 'settle' ? { ...o, restDeg: 360 - o.restDeg } : o,
  );
  expect(doubt(swapped)).toMatchObject({ reading: 3, story: 'rest mirrored' });
  expect(doubt(swapped)!.says).toMatch(/^Reading 4 looks/);
});

test('a slip with no story is a reading that does not go with the others, and many others outvote it', () => {
  const seen = [...rests([]), ...rests(FIRST), ...rests(FIRST), ...rests(SECOND)];
  const slipped = seen.map((o, i) => (i === 1 && o.kind === 'settle' ? { ...o, restDeg: 95 } : o));
  expect(doubt(slipped)).toMatchObject({ reading: 1, story: null });
  expect(isOutvoted(believe(slipped, KNOWN), slipped, KNOWN)).toBe(true);
  expect(isOutvoted(believe(seen, KNOWN), seen, KNOWN)).toBe(false);
});

test('weights that do almost nothing, or far too much, ask for the unit after the second placement', () => {
  const scaled = (by: number) => (on: readonly MassVector[]) =>
    on.map((w) => ({ ...w, massG: w.massG * by }));
  const retold = (by: number) => {
    const really = scaled(by);
    const third = [{ massG: 50, deg: 140 }];
    return [
      ...rests([]),
      ...rests(really(FIRST), FIRST),
      ...rests(really(SECOND), SECOND),
      ...rests(really(third), third),
    ];
  };
  const light = retold(1 / 28.35);
  expect(doubt(light.slice(0, 6))).toMatchObject({ story: 'lighter than entered' });
  const heavy = retold(28.35);
  expect(doubt(heavy.slice(0, 6))).toMatchObject({ story: 'heavier than entered' });
  expect(doubt(heavy)!.says).toMatch(/Grams or ounces/);
  // As entered, the same wheel asks for nothing.
  expect(doubt(retold(1))).toBeNull();
});

describe('level tests', () => {
  const level = (
    deg: number,
    moved: 'rises' | 'sinks' | 'stays',
    weights: MassVector[] = [],
  ): Observation => ({ kind: 'level', deg, at: 'right', moved, weights });
  const bare = [...rests([]), ...rests(FIRST), ...rests(SECOND)];
  test('answered the other way round throughout', () => {
    const seen = [
      ...bare,
      level(210, 'rises'),
      level(30, 'sinks'),
      level(240, 'rises'),
      level(180, 'rises'),
    ];
    expect(doubt(seen)).toMatchObject({ story: 'level swapped' });
    const right = seen.map((o) =>
      o.kind === 'level' ? { ...o, moved: o.moved === 'rises' ? 'sinks' : 'rises' } : o,
    );
    expect(doubt(right as Observation[])).toBeNull();
  });
  test('answered alike six times, where they cannot all be so', () => {
    const degs = [210, 30, 240, 60, 180, 0];
    expect(doubt([...bare, ...degs.map((deg) => level(deg, 'stays'))])).toMatchObject({
      story: 'same answer',
    });
  });
});

describe('a stand that is not level', () => {
  const TILT_G = 9;
  const lean = (Math.asin(TILT_G / HEAVY.massG) * 180) / Math.PI;
  const settles = (turned: boolean, restDeg: number): Observation[] =>
    [-0.5, 0.5].map((off) => ({
      kind: 'settle',
      restDeg: restDeg + off,
      from: null,
      weights: [],
      turned,
    }));
  test('gives another resting place once the wheel is turned around; a level one gives the same', () => {
    expect(doubt([...settles(false, 210 - lean), ...settles(true, 210 + lean)])).toMatchObject({
      story: 'stand not level',
    });
    expect(doubt([...settles(false, 210 + lean), ...settles(true, 210 - lean)])).toMatchObject({
      story: 'stand not level',
    });
    expect(doubt([...settles(false, 210), ...settles(true, 210)])).toBeNull();
  });
  test('the wheel is turned around twice at most, and only for a reason', () => {
    const now = settles(false, 200);
    expect(asksToTurn(null, now)).toBe(false);
    expect(asksToTurn({ story: 'weights mirrored' }, now)).toBe(false);
    expect(asksToTurn({ story: 'stand not level' }, now)).toBe(true);
    expect(asksToTurn({ story: 'stand not level' }, [...now, ...settles(true, 220)])).toBe(false);
  });
});

test('a tire that crept after the weights went on is told from a slip of one reading', () => {
  const crept = (on: MassVector[]): Observation[] =>
    [-1, 0, 1].map((off) => ({
      kind: 'settle',
      restDeg: sumVectors([{ ...HEAVY, deg: 290 }, ...on]).deg + off,
      from: null,
      weights: on,
    }));
  const seen = [...rests([]), ...rests(FIRST), ...crept([{ massG: 30, deg: 30 }])];
  expect(doubt(seen)).toMatchObject({ story: 'something changed', reading: 4 });
});

test('only a slip of the level tests, or of the stand under them, makes them worthless', () => {
  expect(STORIES.filter((story) => deceivesTests({ story }))).toEqual([
    'level swapped',
    'same answer',
    'stand not level',
  ]);
  expect(deceivesTests(null)).toBe(false);
});
