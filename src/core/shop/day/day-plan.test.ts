import { howMany } from '../../../../tests/case-count';
import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { fullMorning, randomDay, solvedDay } from '../../../../tests/plan-days';
import { BLOCKS, dayPlan, type DayPlan, type DayVisit } from '.';
import { boundOf } from './plan-bound';
import { compareCosts, onBench, type PlanProblem } from './plan-problem';
import { improved } from './plan-improve';
import { bestPlan } from './plan-search';
import { emptyState, placedNext, placedOf, type PlanState } from './plan-state';

const BUDGET = 20_000;

/** Some of a day's blocks put by hand where a plan has them, so that they can be. */
const withFixed = (problem: PlanProblem, seed: number): PlanProblem => {
  const placed = bestPlan(problem, 5000)!.placed;
  return {
    ...problem,
    wheels: problem.wheels.map((wheel, w) => ({
      ...wheel,
      blocks: wheel.blocks.map((block, b) => {
        const at = placed.find((p) => p.wheel === w && p.block === b)!;
        // A later time than the plan's: by hand it is rarely the best.
        return (seed + w * 7 + b * 3) % 5 === 0
          ? { ...block, fixed: { person: at.person, startMin: at.startMin + (seed % 3) } }
          : block;
      }),
    })),
  };
};

describe('against a solver for whole numbers (HiGHS), slot by slot', () => {
  test('small days, two hundred in the long run: as many promises, as little lateness, as soon done', async () => {
    for (let seed = 0; seed < howMany(8, 200); seed++) {
      const day = randomDay(seed, 3);
      const problem = seed % 4 === 3 ? withFixed(day, seed) : day;
      const found = bestPlan(problem, BUDGET);
      expect([seed, found?.cost ?? null]).toEqual([seed, await solvedDay(problem)]);
      if (!found) continue;
      expect(found.proven).toBe(true);
      expect(compareCosts(boundOf(problem, emptyState(problem)), found.cost)).toBeLessThanOrEqual(
        0,
      );
    }
  }, 300_000);
});

/** Pairs of intervals that meet. */
const meet = <T extends { from: number; to: number }>(all: readonly T[]): [T, T][] =>
  all.flatMap((a, i) =>
    all.slice(i + 1).flatMap((b): [T, T][] => (a.from < b.to && b.from < a.to ? [[a, b]] : [])),
  );

const aDay = fc.record({
  seed: fc.integer({ min: 0, max: 1_000_000 }),
  wheels: fc.integer({ min: 1, max: 6 }),
});

describe('whatever the day', () => {
  test('nobody and no stand is in two places, blocks keep their order and wait, what is fixed stays', () => {
    fc.assert(
      fc.property(aDay, ({ seed, wheels }) => {
        const problem = withFixed(randomDay(seed, wheels, 5, 3), seed);
        const found = bestPlan(problem, 5000);
        if (!found) return;
        const rows = found.placed.map((p) => {
          const block = problem.wheels[p.wheel]!.blocks[p.block]!;
          return {
            ...block,
            ...p,
            name: block.block,
            from: p.startMin,
            to: p.endMin,
            stand: p.endMin - block.standMinutes,
          };
        });
        expect(rows).toHaveLength(problem.wheels.reduce((n, w) => n + w.blocks.length, 0));
        for (const row of rows) {
          expect(row.to - row.from).toBe(row.minutes);
          expect(row.from).toBeGreaterThanOrEqual(row.notBeforeMin);
          if (row.fixed)
            expect([row.person, row.from]).toEqual([row.fixed.person, row.fixed.startMin]);
          const before = rows.find((r) => r.wheel === row.wheel && r.block === row.block - 1);
          if (before) expect(row.from).toBeGreaterThanOrEqual(before.to);
        }
        for (let p = 0; p < problem.people; p++)
          expect(meet(rows.filter((r) => r.person === p))).toEqual([]);
        const onStand = rows
          .filter((r) => r.standMinutes > 0)
          .map((r) => ({ from: r.stand, to: r.to }));
        expect(meet(onStand)).toEqual([]);
        for (const { from } of rows) {
          const then = rows.filter(
            (r) => onBench({ ...r, block: r.name }) && r.from <= from && from < r.to,
          );
          expect(then.length).toBeLessThanOrEqual(Math.max(problem.benches, 1));
        }
      }),
      { numRuns: howMany(8, 400) },
    );
  });

  test('one more person never makes it worse, nor one more bench, nor a later promise', () => {
    fc.assert(
      fc.property(aDay, ({ seed, wheels }) => {
        const day = randomDay(seed, Math.min(4, wheels), 5);
        const cost = (problem: PlanProblem) => {
          const found = bestPlan(problem, BUDGET)!;
          return found.proven ? found.cost : null;
        };
        const before = cost(day);
        if (!before) return;
        const later = {
          ...day,
          visits: day.visits.map((v) => ({ dueMin: v.dueMin === null ? null : v.dueMin + 10 })),
        };
        for (const easier of [
          { ...day, people: day.people + 1 },
          { ...day, benches: day.benches + 1 },
          later,
        ]) {
          const after = cost(easier);
          if (after) expect(compareCosts(after, before)).toBeLessThanOrEqual(0);
        }
      }),
      { numRuns: howMany(5, 200) },
    );
  });

  test('a day too big to prove says what no plan can beat, and that is no worse than the plan', () => {
    const found = bestPlan(fullMorning(2, 11), 1000)!;
    expect(found.proven).toBe(false);
    expect(compareCosts(found.bound, found.cost)).toBeLessThan(0);
  });
});

const block = (name: (typeof BLOCKS)[number], minutes: number, more: object = {}) => ({
  block: name,
  minutes,
  standMinutes: 0,
  notBeforeMin: 0,
  fixed: null,
  ...more,
});
const visit = (
  id: string,
  dueMin: number | null,
  ...blocks: ReturnType<typeof block>[]
): DayVisit => ({ id, name: id, dueMin, wheels: [{ id: `${id}-w`, name: `${id}, rear`, blocks }] });
const plan = (visits: DayVisit[], people = ['Wim'], benches = 2): DayPlan =>
  dayPlan.run({ people, benches, visits }).result;

describe('made better by small changes', () => {
  /** The worst of plans: wheel after wheel in their order, all by the first person. */
  const oneByOne = (problem: PlanProblem): PlanState =>
    problem.wheels.reduce(
      (state, { blocks }, w) => blocks.reduce((at) => placedNext(problem, at, w, 0)!, state),
      emptyState(problem),
    );

  test('never worse, a whole plan, the same each time, and usually the best where the day is small', () => {
    let best = 0;
    for (let seed = 0; seed < 12; seed++) {
      const problem = randomDay(seed, 4, 5);
      const from = oneByOne(problem);
      const found = improved(problem, from, 2000);
      expect(compareCosts(found.cost, from.cost)).toBeLessThanOrEqual(0);
      expect(placedOf(found)).toHaveLength(problem.wheels.reduce((n, w) => n + w.blocks.length, 0));
      expect(placedOf(improved(problem, from, 2000))).toEqual(placedOf(found));
      const exact = bestPlan(problem, BUDGET)!;
      if (exact.proven && compareCosts(found.cost, exact.cost) === 0) best++;
    }
    expect(best).toBeGreaterThanOrEqual(10);
  });
  test('no more plans are looked at than it may: with none left it is what it was', () => {
    const problem = randomDay(1019, 8, 7);
    const from = oneByOne(problem);
    expect(improved(problem, from, 0)).toBe(from);
  });
  test('looked at closely a plan is no worse, and no plan is under its bound', () => {
    const { people, ...day } = randomDay(5001, 16, 7);
    const problem = {
      ...day,
      people: Math.max(2, people),
      benches: 2,
      wheels: day.wheels.slice(0, 8),
    };
    const [quick, close] = [bestPlan(problem, 2000)!, bestPlan(problem, 6000)!];
    expect(compareCosts(close.cost, quick.cost)).toBeLessThanOrEqual(0);
    expect(compareCosts(quick.bound, close.cost)).toBeLessThanOrEqual(0);
  });
});

describe('the working', () => {
  test('the nearer promise goes first, whatever came in first', () => {
    const { rows, broken, done } = plan([
      visit('late', 200, block('back', 60)),
      visit('soon', 40, block('back', 30)),
    ]);
    expect(rows.map((r) => [r.wheelId, r.startMin, r.endMin])).toEqual([
      ['soon-w', 0, 30],
      ['late-w', 30, 90],
    ]);
    expect([broken, done.map((d) => d.endMin)]).toEqual([[], [90, 30]]);
  });
  test('rather one promise late than two: the small ones are kept', () => {
    const { broken, cost } = plan([
      visit('big', 60, block('back', 60)),
      visit('a', 40, block('back', 30)),
      visit('b', 70, block('back', 30)),
    ]);
    expect(broken).toMatchObject([{ visitId: 'big', lateMin: 60 }]);
    expect(cost).toMatchObject({ broken: 1, lateMin: 60 });
  });
  test('a promise that cannot be kept says so, and what would keep it', () => {
    const would = (visits: DayVisit[], people?: string[]) =>
      plan(visits, people).broken.map((b) => b.would);
    expect(would([visit('a', 20, block('back', 30))])).toEqual([
      'Can’t be kept, even with everyone on it. Tell the rider now.',
    ]);
    expect(would([visit('a', 30, block('back', 30)), visit('b', 30, block('back', 30))])).toEqual([
      'Add a person or put it first to keep it.',
    ]);
    const onOneStand = (id: string) => visit(id, 30, block('tire', 30, { standMinutes: 30 }));
    expect(would([onOneStand('a'), onOneStand('b')], ['Wim', 'Ada'])).toEqual([
      'Putting it first keeps it but misses another promise.',
    ]);
  });
  test('a promise in the past is late by all that is left', () => {
    expect(plan([visit('a', -15, block('back', 30))]).broken).toMatchObject([{ lateMin: 45 }]);
  });
  test('two people share one stand, and one bench', () => {
    const wheel = (id: string) => visit(id, null, block('tire', 30, { standMinutes: 20 }));
    const ends = (benches: number) =>
      plan([wheel('a'), wheel('b')], ['Wim', 'Ada'], benches).rows.map((r) => r.endMin);
    expect(ends(2)).toEqual([30, 50]);
    expect(ends(1)).toEqual([30, 60]);
  });
  test('what was put there by hand stays, and where it cannot it says why', () => {
    const by = (person: string, startMin: number) => ({ fixed: { person, startMin } });
    const { rows } = plan([
      visit('a', null, block('back', 30, by('Wim', 45))),
      visit('b', null, block('back', 40)),
      visit('c', null, block('back', 40)),
    ]);
    expect(rows.map((r) => [r.wheelId, r.startMin, r.fixed])).toEqual([
      ['b-w', 0, false],
      ['a-w', 45, true],
      ['c-w', 75, false],
    ]);
    const refused = (...visits: DayVisit[]) => problemOf(() => plan(visits)).message;
    expect(refused(visit('a', null, block('bare', 30), block('back', 30, by('Wim', 20))))).toBe(
      'a, rear, install, hand over: what comes before it is not done by then.',
    );
    expect(
      refused(
        visit('a', null, block('back', 30, by('Wim', 0))),
        visit('b', null, block('back', 30, by('Wim', 29))),
      ),
    ).toBe('Wim would be at a, rear and at b, rear at once.');
    expect(refused(visit('a', null, block('back', 30, by('Osk', 0))))).toBe('Osk is not at work.');
    const stands = (id: string, startMin: number) =>
      visit(
        id,
        null,
        block('tire', 30, {
          standMinutes: 20,
          fixed: { person: startMin === 0 ? 'Wim' : 'Ada', startMin },
        }),
      );
    expect(problemOf(() => plan([stands('a', 0), stands('b', 10)], ['Wim', 'Ada'])).message).toBe(
      'a, rear and b, rear would both be on the stand.',
    );
    expect(plan([stands('a', 0), stands('b', 20)], ['Wim', 'Ada']).rows).toHaveLength(2);
    expect(
      refused(
        visit('a', null, block('bare', 30), block('back', 30, by('Wim', 40))),
        visit('b', null, block('bare', 10), block('back', 30, by('Wim', 10))),
      ),
    ).toBe('No plan fits the pinned blocks. Unpin one.');
  });
  test('blocks out of order, more stand than block, nobody at work, a name twice, too many wheels', () => {
    const field = (visits: DayVisit[], people?: string[]) =>
      problemOf(() => plan(visits, people)).field;
    expect(field([visit('a', null, block('back', 30), block('bare', 30))])).toBe(
      'visits[0].wheels[0].blocks[1]',
    );
    expect(field([visit('a', null, block('tire', 30, { standMinutes: 31 }))])).toMatch(
      /standMinutes$/,
    );
    expect(field([], [])).toBe('people');
    expect(field([], ['Wim', 'Wim'])).toBe('people');
    const wheels = visit('a', null, block('back', 30)).wheels;
    const many = Array.from({ length: 5 }, (_, i) => ({
      id: `v${i}`,
      name: 'v',
      dueMin: null,
      wheels: Array.from({ length: 5 }, () => wheels[0]!),
    }));
    expect(field(many)).toBe('visits');
    expect(plan([])).toMatchObject({ rows: [], broken: [], proven: true });
  });
});
