import {
  learnerOf,
  nextOf,
  PRACTICE,
  PRACTICE_KINDS,
  shownPractice,
  standingOf,
  type PracticeScore,
} from '.';

let n = 0;
const round = (more: Partial<PracticeScore>): PracticeScore => ({
  id: `r${n}`,
  who: 'Ada Marl',
  at: new Date(Date.UTC(2026, 3, 30, 9, n++)).toISOString(),
  kind: 'levers',
  level: 'deep rim',
  seed: 1,
  good: true,
  cost: 20,
  advisedCost: 18,
  tookS: 60,
  ...more,
});
const rounds = (goods: readonly boolean[], more: Partial<PracticeScore> = {}) =>
  goods.map((good) => round({ good, ...more }));

test('a standing counts only what ended as it should', () => {
  expect(standingOf([])).toEqual({ rounds: 0, good: 0, medianCost: null, medianAdvised: null });
  const some = [
    round({ good: false, cost: 3 }),
    round({ cost: 22, advisedCost: 17 }),
    round({ cost: 29, advisedCost: 18 }),
  ];
  expect(standingOf(some)).toEqual({ rounds: 3, good: 2, medianCost: 25.5, medianAdvised: 17.5 });
});

test('the first level that is not sure comes next: four of the last five ended well', () => {
  expect(nextOf([], 'levers')).toEqual({ kind: 'levers', level: 'deep rim', why: 'not tried yet' });
  expect(nextOf(rounds([true, true, true]), 'levers')).toMatchObject({
    level: 'deep rim',
    why: '3 of the last 3 passed',
  });
  expect(nextOf(rounds([true, true, true, false, true]), 'levers')).toMatchObject({
    level: 'shallow rim',
  });
  expect(nextOf(rounds([true, true, true, false, false]), 'levers')).toMatchObject({
    level: 'deep rim',
  });
  // What went wrong long ago counts no more, and neither does another kind.
  const old = [...rounds([false, false, false]), ...rounds([true, true, true, true])];
  expect(nextOf(old, 'levers')).toMatchObject({ level: 'shallow rim' });
  expect(nextOf([...old].reverse(), 'levers')).toMatchObject({ level: 'shallow rim' });
  expect(nextOf(old, 'true')).toMatchObject({ level: 'a wobble', why: 'not tried yet' });
  const all = PRACTICE.levers.levels.flatMap((level) =>
    rounds([true, true, true, true], { level }),
  );
  expect(nextOf(all, 'levers')).toBeNull();
});

test('a learner sees every kind of work, tried or not', () => {
  const seen = learnerOf([
    ...rounds([true, false]),
    ...rounds([true], { kind: 'balance', level: 'usual stand, full shelf' }),
  ]);
  expect(seen.map((s) => s.kind)).toEqual([...PRACTICE_KINDS]);
  expect(seen.map((s) => s.standing.rounds)).toEqual([0, 2, 0, 0, 0, 0, 0, 1]);
});

test('what the shop sees of somebody: their kinds as they see them, and when the last round was', () => {
  const some = [round({ good: true }), round({ kind: 'true', level: 'a wobble', good: false })];
  expect(shownPractice('Ada Marl', some)).toEqual({
    who: 'Ada Marl',
    rounds: 2,
    lastAt: some[1]!.at,
    kinds: learnerOf(some),
  });
  expect(shownPractice('Ada Marl', [...some].reverse()).lastAt).toBe(some[1]!.at);
  expect(shownPractice('Ada Marl', [])).toMatchObject({ rounds: 0, lastAt: null });
});
