import type { Advice, AdviceInput } from './advice';
import { nextStep, SURE } from './next-step';
import type { Belief } from './belief';
import { sumParts, toVector, type MassVector } from './mass-vector';
import type { LevelTest, Observation, Settle } from './observation';

/**
 * A belief of one or two wheels: where each is heavy, its dead band, and how probable it is; how
 * far all of it may be off along 200° and across.
 */
const belief = (
  wheels: (MassVector & { bandG?: number; p?: number })[],
  spreadG = 1,
  acrossG = spreadG,
): Belief => {
  const cells = wheels.map((w) => ({
    at: toVector(w),
    bandG: w.bandG ?? 1,
    p: w.p ?? 1 / wheels.length,
  }));
  const mean = (of: (c: (typeof cells)[number]) => number) =>
    cells.reduce((sum, c) => sum + c.p * of(c), 0);
  // A grid of two by two lies wherever two wheels are; the other two cells are empty.
  const [a, b] = [cells[0]!.at, (cells[1] ?? cells[0]!).at];
  const [du, dv] = [b[0] - a[0], b[1] - a[1]];
  const apart = Math.hypot(du, dv);
  const [sin, cos] = toVector({ massG: 1, deg: 200 });
  return {
    patch: {
      x: (a[0] + b[0]) / 2,
      y: (a[1] + b[1]) / 2,
      cos: apart === 0 ? 1 : du / apart,
      sin: apart === 0 ? 0 : dv / apart,
      halfU: apart,
      halfV: 0,
    },
    cells: 2,
    mass: Float64Array.of(cells[0]!.p, cells[1]?.p ?? 0, 0, 0),
    bandKnown: true,
    bandOf: Float64Array.of(cells[0]!.bandG, cells[1]?.bandG ?? 0, 0, 0),
    meanX: mean((c) => c.at[0]),
    meanY: mean((c) => c.at[1]),
    bandG: mean((c) => c.bandG),
    bands: [],
    varX: (spreadG * sin) ** 2 + (acrossG * cos) ** 2,
    varY: (spreadG * cos) ** 2 + (acrossG * sin) ** 2,
    covXY: (spreadG ** 2 - acrossG ** 2) * sin * cos,
    wrong: [],
    allRight: 1,
    evidence: 1,
  };
};

const settle = (weights: readonly MassVector[] = [], from: Settle['from'] = 'left'): Settle => ({
  kind: 'settle',
  restDeg: 200,
  from,
  weights,
});
const level = (
  deg: number,
  moved: LevelTest['moved'],
  weights: readonly MassVector[],
  at: LevelTest['at'] = 'right',
): LevelTest => ({ kind: 'level', deg, at, moved, weights });
const restAt = (
  restDeg: number,
  weights: readonly MassVector[],
  from: Settle['from'] = 'left',
): Settle => ({ ...settle(weights, from), restDeg });
const times = <T>(n: number, of: (i: number) => T): T[] =>
  Array.from({ length: n }, (_, i) => of(i));

const HEAVY = { massG: 40, deg: 200 };
/** What balances it, and what leaves 3 g at 200°. */
const ON = [{ massG: 40, deg: 20 }];
const SHORT = [{ massG: 37, deg: 20 }];
const ASK = { toleranceG: 5, trialsG: [10, 20], stayAt: (deg: number) => deg };
const UNSETTLED = { reading: 0, story: null, says: 'odd', settled: false } as const;

type Asked = [
  seen: readonly Observation[],
  on: readonly MassVector[],
  believed: Belief,
  more?: Partial<AdviceInput>,
];
const step = (...[seen, on, believed, more]: Asked) =>
  nextStep({ ...ASK, seen, on, ...more }, believed);
const next = (...asked: Asked): Advice => {
  const { rule: _rule, ...advice } = step(...asked);
  return advice;
};
/** The rule that decides. */
const ruleOf = (...asked: Asked): string => step(...asked).rule;
/** Only here a trial can be taped. */
const onlyAt = (place: number) => (deg: number) => (deg === place ? deg : null);
const does = (advice: Advice) => advice.do;

describe('which readings are still asked for', () => {
  test('a second rest from the other side, whichever the first was', () => {
    const ask = (from: Settle['from']) => next([settle([], from)], [], belief([HEAVY]));
    expect(['left', 'right', null].map((from) => ask(from as Settle['from']))).toEqual(
      ['right', 'left', 'left'].map((from) => ({ do: 'settle', from })),
    );
  });
  test('with weights on it too, and then it says what that would teach', () => {
    const advice = next(
      [settle(), settle([], 'right'), settle(ON, 'right')],
      ON,
      belief([{ massG: 45, deg: 200 }], 6),
    );
    expect(advice).toMatchObject({ do: 'settle', from: 'left' });
    const { learns } = advice as Extract<Advice, { do: 'settle' }>;
    expect(learns!.nowG).toBeCloseTo(6 * Math.SQRT2, 6);
    expect(learns!.thenG).toBeGreaterThan(6);
    expect(learns!.thenG).toBeLessThan(learns!.nowG);
  });
  test('a third rest where it tells 0.3 g more, never more than four', () => {
    // √(2/12) − √(2/20) = 0.092 of the dead band.
    const ask = (rests: number, bandG: number) =>
      does(
        next(
          times(rests, () => settle()),
          [],
          belief([{ ...HEAVY, bandG }], 20),
        ),
      );
    expect(ask(2, 3.2)).not.toBe('settle');
    expect(ask(2, 3.4)).toBe('settle');
    expect(ask(3, 20)).toBe('settle');
    expect(ask(4, 20)).not.toBe('settle');
  });
  test('the place where it is heavy at 3, the same at 9, then a quarter turn on', () => {
    const rests = [settle(SHORT), restAt(60, SHORT, 'right')];
    const ask = (tests: LevelTest[]) => next([...rests, ...tests], SHORT, belief([HEAVY]));
    expect(ask([])).toEqual({ do: 'level', deg: expect.closeTo(200, 6), at: 'right' });
    expect(ask([level(300, 'stays', SHORT)])).toEqual({ do: 'level', deg: 300, at: 'left' });
    const both = [level(300, 'stays', SHORT), level(300, 'stays', SHORT, 'left')];
    expect(ask(both)).toEqual({ do: 'level', deg: 30, at: 'right' });
    expect(ask([...both, level(30, 'stays', SHORT)])).toMatchObject({ do: 'done' });
  });
  test('readings with other weights do not count for the present ones', () => {
    const before = [settle(), settle([], 'right'), level(20, 'stays', []), level(110, 'stays', [])];
    expect(does(next([...before, settle(ON)], ON, belief([HEAVY])))).toBe('settle');
  });
});

describe('when it is done', () => {
  // A balanced wheel rests anywhere.
  const rests = [restAt(200, ON), restAt(60, ON, 'right')];
  const quiet = [level(200, 'stays', ON), level(200, 'stays', ON, 'left'), level(290, 'stays', ON)];
  test('sure enough, and level at 3, at 9 and a quarter turn on', () => {
    expect(next([...rests, ...quiet], ON, belief([HEAVY]))).toEqual({ do: 'done', chance: 1 });
  });
  test('not on a belief alone, and not on some of the three', () => {
    expect(does(next(rests, ON, belief([HEAVY])))).toBe('level');
    expect(does(next([...rests, quiet[0]!], ON, belief([HEAVY])))).toBe('level');
    expect(does(next([...rests, quiet[0]!, quiet[1]!], ON, belief([HEAVY])))).toBe('level');
  });
  test('not where it is less than sure and other pieces are likely to do better', () => {
    const split = (p: number) =>
      belief(
        [
          { ...HEAVY, p },
          { massG: 49, deg: 200, p: 1 - p },
        ],
        0.1,
      );
    const ask = (p: number) =>
      does(next([...rests, ...quiet], ON, split(p), { realize: () => [{ massG: 44.5, deg: 20 }] }));
    expect([ask(SURE + 0.001), ask(0.93), ask(0.91)]).toEqual(['done', 'done', 'final']);
  });
  const moving = [level(200, 'sinks', ON), level(200, 'sinks', ON, 'left')];
  const still = [settle(ON), settle(ON, 'right')];
  test('never where it moves from level, however sure the belief: a known piece more, and then someone looks', () => {
    const seen = [...still, ...moving];
    expect(next(seen, ON, belief([HEAVY]), { lightestG: 3 })).toMatchObject({
      do: 'final',
      check: true,
    });
    expect(next(seen, ON, belief([HEAVY]), { lightestG: null })).toMatchObject({
      do: 'look',
      why: 'unproved',
    });
  });
  test('never where it keeps coming to rest at one place, though every level test is said to stay', () => {
    const crowd = times(4, (i) => restAt(90 + i, ON));
    expect(next([...crowd, ...quiet], ON, belief([HEAVY]))).toMatchObject({
      do: 'look',
      why: 'unproved',
    });
    // Three alike are few: another is asked for. Two are no crowd.
    expect(does(next([...crowd.slice(0, 3), ...quiet], ON, belief([HEAVY])))).toBe('settle');
    expect(does(next([...crowd.slice(0, 2), ...quiet], ON, belief([HEAVY])))).toBe('done');
  });
  test('the chance is never above what the last readings bear out', () => {
    const machine: Observation = {
      kind: 'machine',
      massG: 7,
      deg: 200,
      stepG: 1,
      stepDeg: 3,
      weights: ON,
    };
    const advice = next([machine], ON, belief([HEAVY]), {
      trialsG: [],
      lightestG: null,
      realize: () => ON,
    });
    expect(does(advice)).not.toBe('done');
    const good = next([{ ...machine, massG: 1 }], ON, belief([HEAVY]));
    expect(good).toMatchObject({ do: 'done', chance: 1 });
  });
  test('level tests that cannot be trusted close nothing', () => {
    for (const story of ['level swapped', 'same answer', 'stand not level'] as const) {
      const doubt = { ...UNSETTLED, story, settled: true };
      expect(does(next([...rests, ...quiet], ON, belief([HEAVY]), { doubt }))).not.toBe('done');
    }
  });
  test('on fine bearings a known piece that turns it round bounds what is left, by those readings alone', () => {
    const short = [{ massG: 38, deg: 20 }];
    const more = [...short, { massG: 5, deg: 20 }];
    const before = [restAt(200, short), restAt(201, short, 'right'), level(200, 'sinks', short)];
    const seen = [
      ...before,
      level(200, 'sinks', short, 'left'),
      restAt(20, more),
      restAt(21, more, 'right'),
    ];
    const fine = belief([{ ...HEAVY, bandG: 0.5 }]);
    expect(next(seen, more, fine, { known: { bandG: 0.5 } })).toMatchObject({ do: 'done' });
    // It rests where it did: more is left than the piece.
    const stuck = seen.map((o) => (o.kind === 'settle' ? { ...o, restDeg: 200 } : o));
    expect(does(next(stuck, more, fine, { known: { bandG: 0.5 } }))).not.toBe('done');
    // Sinks at 3 and not at 9: the stand may be what moves it.
    const uneven = seen.filter((o) => !(o.kind === 'level' && o.at === 'left'));
    expect(does(next(uneven, more, fine, { known: { bandG: 0.5 } }))).not.toBe('done');
  });
  test('a known piece goes against what is left, where it can stay', () => {
    const left = [level(200, 'sinks', SHORT), level(200, 'sinks', SHORT, 'left')];
    const at = [settle(SHORT), settle(SHORT, 'right'), ...left];
    const piece = { massG: 3, deg: 25 };
    expect(next(at, SHORT, belief([HEAVY]), { lightestG: 3, stayAt: () => 25 })).toEqual({
      do: 'final',
      massG: expect.closeTo(Math.hypot(...sumParts([...SHORT, piece])), 6),
      deg: expect.closeTo(20.4, 1),
      pieces: [...SHORT, piece],
      chance: 1,
      check: true,
    });
    const free = next(at, SHORT, belief([HEAVY]), { lightestG: 3, stayAt: () => null });
    expect((free as Extract<Advice, { do: 'final' }>).pieces.at(-1)).toEqual({
      massG: 3,
      deg: expect.closeTo(20, 6),
    });
  });
  test('a piece that is heavier than the tolerance tells nothing, nor is it tried a third time', () => {
    const isCheck = (more: Observation[], lightestG: number | null) =>
      'check' in next([...more, ...still, ...moving], ON, belief([HEAVY]), { lightestG });
    expect(isCheck([], 5)).toBe(true);
    expect([isCheck([], 5.1), isCheck([], null)]).toEqual([false, false]);
    const tried = (massG: number) => settle([...ON, { massG, deg: 20 }]);
    expect(isCheck([tried(3)], 3)).toBe(true);
    expect(isCheck([tried(3), tried(10)], 3)).toBe(false);
    // Far from the present weights it was not a check.
    expect(isCheck([tried(3), tried(11)], 3)).toBe(true);
  });
});

describe('a stand that may not be level', () => {
  const rests = [restAt(200, ON), restAt(60, ON, 'right')];
  const lopsided = [level(200, 'sinks', ON), level(200, 'rises', ON, 'left')];
  const ask = (more: Observation[], doubt: AdviceInput['doubt'] = null) =>
    next([...rests, ...lopsided, ...more], ON, belief([HEAVY]), { doubt });
  test('a place that sinks at 3 and rises at 9: the wheel is turned around, and settles from both sides', () => {
    expect(ask([])).toEqual({ do: 'settle', from: 'left', turned: true });
    const one = { ...restAt(190, ON, 'left'), turned: true };
    expect(ask([one])).toEqual({ do: 'settle', from: 'right', turned: true });
    expect(ask([one, { ...one, from: 'right' }])).not.toMatchObject({ turned: true });
  });
  test('so it is where a tilt explains the readings best; once that is borne out, someone levels the stand', () => {
    const doubt = { ...UNSETTLED, story: 'stand not level' } as const;
    expect(next(rests, ON, belief([HEAVY]), { doubt })).toMatchObject({ turned: true });
    const turned = (['left', 'right'] as const).map((from) => ({
      ...restAt(190, ON, from),
      turned: true,
    }));
    expect(next([...rests, ...turned], ON, belief([HEAVY]), { doubt })).toMatchObject({
      do: 'look',
      why: 'contradiction',
    });
  });
});

describe('what contradicts itself', () => {
  const withSets = (sets: number) => [
    ...times(sets - 1, (i) => settle([{ massG: 10 + i, deg: 90 }])),
    settle(ON),
  ];
  test('after five sets of weights somebody has to look, even where the others outvote it', () => {
    const ask = (sets: number, settled: boolean) =>
      does(next([...withSets(sets)], ON, belief([HEAVY], 9), { doubt: { ...UNSETTLED, settled } }));
    expect([ask(5, true), ask(5, false), ask(4, true)]).toEqual(['look', 'look', 'settle']);
    expect(
      next(withSets(5), ON, belief([{ massG: 46, deg: 200 }], 9), { doubt: UNSETTLED }),
    ).toEqual({ do: 'look', why: 'contradiction', leftG: expect.closeTo(6, 6) });
    // Without a doubt as many sets are nothing to stop for.
    expect(does(next(withSets(6), ON, belief([HEAVY], 9)))).toBe('settle');
  });
  test('after five readings with the same weights, unless the others have settled it', () => {
    const ask = (readings: number, settled: boolean) => {
      const seen = [
        ...times(readings - 2, () => settle(ON)),
        level(200, 'sinks', ON),
        level(290, 'rises', ON),
      ];
      return ruleOf(seen, ON, belief([HEAVY], 9), { doubt: { ...UNSETTLED, settled } });
    };
    const rule = 'five readings with these weights, and they still disagree';
    expect(ask(5, false)).toBe(rule);
    expect([ask(5, true), ask(4, false)]).not.toContain(rule);
  });
  test('mirrored weights are looked at as soon as two rests say so', () => {
    const doubt = { ...UNSETTLED, story: 'weights mirrored' } as const;
    const ask = (rests: number, story: typeof doubt | typeof UNSETTLED = doubt) =>
      does(
        next(
          times(rests, () => settle(ON)),
          ON,
          belief([{ massG: 60, deg: 200 }], 9),
          { doubt: story },
        ),
      );
    expect([ask(1), ask(2), ask(2, UNSETTLED)]).toEqual(['settle', 'look', 'level']);
  });
  test('so are weights in another unit, a slip of all tests, and a wheel that changed', () => {
    const stories = [
      'heavier than entered',
      'lighter than entered',
      'level swapped',
      'something changed',
    ] as const;
    for (const story of stories)
      expect(
        step([settle(ON), settle(ON, 'right')], ON, belief([{ massG: 60, deg: 200 }], 9), {
          doubt: { ...UNSETTLED, story },
        }),
      ).toMatchObject({
        do: 'look',
        why: 'contradiction',
        rule: 'one slip explains the readings far better than single errors do',
      });
  });
  test('it is read again before other weights go on: level twice, then another rest', () => {
    // Too much is left for a level test to be worth it otherwise.
    const far = belief([{ massG: 90, deg: 200 }], 9);
    const rests = [settle(ON), settle(ON, 'right')];
    const ask = (more: Observation[], doubt: AdviceInput['doubt'] = UNSETTLED) =>
      next([...rests, ...more], ON, far, { doubt });
    expect(ask([])).toEqual({ do: 'level', deg: expect.closeTo(200, 6), at: 'right' });
    expect(does(ask([], null))).not.toBe('level');
    expect(does(ask([], { ...UNSETTLED, settled: true }))).not.toBe('level');
    const tests = [level(200, 'sinks', ON), level(200, 'sinks', ON)];
    expect(ask(tests)).toEqual({ do: 'settle', from: 'left' });
    // A machine does not settle: it spins again.
    const machine: Observation = {
      kind: 'machine',
      massG: 50,
      deg: 200,
      stepG: 1,
      stepDeg: 1,
      weights: ON,
    };
    expect(does(next([machine], ON, far, { doubt: UNSETTLED }))).toBe('spin');
    expect(['trial', 'final']).toContain(does(next([machine], ON, far)));
  });
});

describe('other weights', () => {
  const rests = times(4, () => settle());
  test('one that is sure goes on at once; where much is open a trial aside, the lightest of those as good', () => {
    expect(next(rests, [], belief([HEAVY], 0.1))).toEqual({
      do: 'final',
      massG: expect.closeTo(40, 6),
      deg: expect.closeTo(20, 6),
      pieces: [{ massG: expect.closeTo(40, 6), deg: expect.closeTo(20, 6) }],
      chance: 1,
    });
    // Either 20 or 70 g: the middle of them balances neither.
    const open = belief(
      [
        { massG: 20, deg: 200 },
        { massG: 70, deg: 200 },
      ],
      25,
      1,
    );
    const trial = next(rests, [], open, { trialsG: [10, 40, 41] }) as Extract<
      Advice,
      { do: 'trial' }
    >;
    expect(trial).toMatchObject({ do: 'trial', massG: 40, chance: 0 });
    expect(Math.abs(((trial.deg - 20 + 540) % 360) - 180)).toBeGreaterThanOrEqual(15);
    expect(trial.learns.thenG).toBeLessThan(trial.learns.nowG / 2);
  });
  test('a trial that happens to balance one of the wheels says how probable that is', () => {
    const open = belief(
      [
        { massG: 20, deg: 200, p: 0.3 },
        { massG: 70, deg: 200, p: 0.7 },
      ],
      25,
    );
    const trial = next(rests, [], open, { trialsG: [20], trialAt: onlyAt(20) });
    expect(trial).toMatchObject({
      do: 'trial',
      massG: 20,
      deg: 20,
      chance: expect.closeTo(0.3, 6),
    });
    // What the stand hides counts as balanced.
    const hidden = belief(
      [
        { massG: 20, deg: 200, p: 0.3, bandG: 9 },
        { massG: 70, deg: 200, p: 0.7 },
      ],
      25,
    );
    expect(next(rests, [], hidden, { trialsG: [28], trialAt: onlyAt(20) })).toMatchObject({
      do: 'trial',
      chance: expect.closeTo(0.3, 6),
    });
  });
  test('a trial goes aside to whichever side is free, by the same steps', () => {
    const open = belief(
      [
        { massG: 20, deg: 200 },
        { massG: 70, deg: 200 },
      ],
      25,
      1,
    );
    const placesAsked: number[] = [];
    const only = (sign: 1 | -1) => (deg: number) => {
      placesAsked.push(deg);
      return sign * (((deg - 20 + 540) % 360) - 180) > 0 ? deg : null;
    };
    const at = (sign: 1 | -1) => next(rests, [], open, { trialsG: [40], trialAt: only(sign) });
    const [after, before] = [at(1), at(-1)] as Extract<Advice, { do: 'trial' }>[];
    expect([after!.do, before!.do]).toEqual(['trial', 'trial']);
    expect((after!.deg - 20 + 360) % 360).toBeCloseTo((20 - before!.deg + 360) % 360, 6);
    const asides = [0, 15, 30, 45, 60, 80].flatMap((a) =>
      a === 0 ? [20] : [20 + a, (380 - a) % 360],
    );
    expect(placesAsked).toEqual([...asides, ...asides]);
  });
  test('no place for a trial, no trial', () => {
    const open = belief(
      [
        { massG: 20, deg: 200 },
        { massG: 70, deg: 200 },
      ],
      25,
    );
    expect(does(next(rests, [], open, { trialsG: [40], trialAt: () => null }))).toBe('final');
  });
  test('a level test first where what is left is small, by two and a half of the tolerance or the band', () => {
    const left = (massG: number, bandG: number) => {
      const seen = [settle(ON), settle(ON, 'right'), settle(ON), settle(ON)];
      return does(next(seen, ON, belief([{ massG: 40 + massG, deg: 200, bandG }], 0.1)));
    };
    expect([left(12.4, 1), left(12.6, 1), left(19.9, 8), left(20.1, 8)]).toEqual([
      'level',
      'final',
      'level',
      'final',
    ]);
  });
});

describe('when nothing on the shelf does better', () => {
  const tested = [
    settle(ON),
    settle(ON, 'right'),
    level(200, 'sinks', ON),
    level(200, 'sinks', ON, 'left'),
  ];
  const split = (massG: number, p: number) =>
    belief(
      [
        { massG: 40, deg: 200, p: 1 - p },
        { massG: 40 + massG, deg: 200, p },
      ],
      0.1,
    );
  /** The shelf has what is on already, and no more. */
  const same = { realize: () => ON, trialsG: [], lightestG: null };
  test('it has to be looked at, with what is left', () => {
    expect(next(tested, ON, split(20, 0.6), same)).toMatchObject({
      why: 'shelf',
      leftG: expect.closeTo(12, 6),
    });
    // Believed to be balanced, it moves all the same.
    expect(next(tested, ON, split(20, 0.4), same)).toMatchObject({ do: 'look', why: 'unproved' });
  });
  test('a machine that was asked with these weights is enough', () => {
    const says = (massG: number): Observation => ({
      kind: 'machine',
      massG,
      deg: 200,
      stepG: 1,
      stepDeg: 1,
      weights: ON,
    });
    expect(next([says(3)], ON, split(20, 0.4), same)).toEqual({
      do: 'done',
      chance: expect.closeTo(0.6, 6),
    });
    // What it shows is more than the tolerance: not balanced, whatever else is believed.
    expect(next([says(10)], ON, split(20, 0.4), same)).toMatchObject({ do: 'look' });
  });
  test('not tested yet: it is tested first', () => {
    const far = [settle(ON), settle(ON, 'right')];
    expect(does(next(far, ON, split(40, 0.5), same))).toBe('level');
  });
  test('a known piece more is tried before that', () => {
    expect(next(tested, ON, split(20, 0.5), { ...same, lightestG: 5 })).toMatchObject({
      do: 'final',
      check: true,
    });
  });
  test('pieces that do better by eight of a hundred go on', () => {
    const better = [{ massG: 50, deg: 20 }];
    const ask = (p: number) => next(tested, ON, split(10, p), { ...same, realize: () => better });
    expect(does(ask(0.55))).toBe('final');
    expect(does(ask(0.53))).toBe('look');
  });
});
