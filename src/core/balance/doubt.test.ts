import { believe } from './belief';
import { doubtOf, isOutvoted, slipsRuledOut } from './doubt';
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
  const both = [...rests([]), ...rests(FIRST, FIRST.map(mirrored)), ...rests(SECOND, SECOND.map(mirrored))];
  expect(doubt(both)).toMatchObject({ story: 'weights mirrored', reading: 2 });
  expect(doubt(both)!.says).toMatch(/entered from the other side/);
});

test('one of two sets from the other side: its own first reading is named', () => {
  const second = [...rests([]), ...rests(FIRST), ...rests(SECOND, SECOND.map(mirrored))];
  expect(doubt(second)).toMatchObject({ story: 'weights mirrored', reading: 4 });
});

test('a single rest from the other side is named by its number, from one on', () => {
  const seen = [...rests([]), ...rests(FIRST), ...rests(SECOND)];
  const swapped = seen.map((o, i) => (i === 3 && o.kind === 'settle' ? { ...o, restDeg: 360 - o.restDeg } : o));
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

test('mirrored weights are ruled out by two sets off the axis, not by weights that a mirror leaves alike', () => {
  expect(slipsRuledOut([...rests([]), ...rests(FIRST), ...rests(SECOND)], KNOWN)).toBe(true);
  expect(slipsRuledOut([...rests([]), ...rests([{ massG: 25, deg: 0 }])], KNOWN)).toBe(false);
});
