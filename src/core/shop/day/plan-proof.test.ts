import fc from 'fast-check';
import { howMany } from '../../../../tests/case-count';
import { fullMorning, randomDay, solvedDay } from '../../../../tests/plan-days';
import { improved } from './plan-improve';
import { onGrid } from './plan-grid';
import { planLayers } from './plan-layers';
import { horizonOf, limitsFor } from './plan-limits';
import { pricedPlans } from './plan-prices';
import { compareCosts, type PlanCost, type PlanProblem } from './plan-problem';
import { planProof } from './plan-proof';
import { bestPlan } from './plan-search';
import { emptyState, placedNext, placedOf, type PlanState } from './plan-state';
import { asNumber, turnPlans } from './turn-plan';

const BUDGET = 100_000;

/** All states on the way to a plan, the empty one first. */
const wayTo = (plan: PlanState): PlanState[] => {
  const all: PlanState[] = [];
  for (let at = plan; at.last; at = at.last.before) all.unshift(at);
  return [all[0]?.last?.before ?? plan, ...all];
};

/** Wheel after wheel in their order, all by the first person: a plan, and rarely a good one. */
const oneByOne = (day: PlanProblem): PlanState =>
  day.wheels.reduce(
    (state, { blocks }, w) => blocks.reduce((at) => placedNext(day, at, w, 0)!, state),
    emptyState(day),
  );

/** The visits that a plan is late with. */
const lateOf = ({ visits }: PlanProblem, { visitDone }: PlanState): number[] =>
  visits.flatMap(({ dueMin }, v) => (dueMin !== null && visitDone[v]! > dueMin ? [v] : []));

describe('the proof, with no plan to begin with, against a solver for whole numbers (HiGHS)', () => {
  test('as many promises, as little lateness, as soon done; one bench, few hands, promises that cannot be kept', async () => {
    const broken = new Set<number>();
    // The last one is harder than it looks: both of its promises are broken whatever is done, by
    // how much is open.
    for (const seed of [...Array(howMany(3, 300)).keys(), 232]) {
      const day = randomDay(seed + 700, 3);
      const found = planProof(day, null, BUDGET);
      const solved = await solvedDay(day);
      expect([seed, found?.best?.cost ?? null, found?.bound ?? null]).toEqual([
        seed,
        solved,
        solved,
      ]);
      broken.add(solved!.broken);
      // With hardly a look nothing is proved, and what is said to be out of reach is.
      expect(compareCosts(planProof(day, oneByOne(day), 30)!.bound, solved!)).toBeLessThanOrEqual(
        0,
      );
    }
    expect([...broken]).toEqual(expect.arrayContaining([0, 1]));
  }, 600_000);

  test('a plan that is given and is the best is left as it is; one that is not is beaten', () => {
    for (let seed = 0; seed < 10; seed++) {
      const day = randomDay(seed + 40, 4);
      const { best, bound } = planProof(day, null, BUDGET)!;
      expect(bound).toEqual(best!.cost);
      expect(planProof(day, best, BUDGET)).toEqual({ best, bound: best!.cost });
      expect(planProof(day, oneByOne(day), BUDGET)!.best!.cost).toEqual(best!.cost);
    }
  });
});

describe('prices', () => {
  test('no plan within its limits is done sooner than they say, from any state on its way', () => {
    fc.assert(
      fc.property(
        fc.nat(100_000),
        fc.integer({ min: 1, max: 5 }),
        fc.nat(6),
        (seed, most, more) => {
          const day = randomDay(seed, most, 3, 3);
          const plan = planProof(day, oneByOne(day), 20_000)!.best!;
          const late = lateOf(day, plan);
          const limits = limitsFor(day, late, plan.cost.lateMin + (late.length > 0 ? more : 0));
          // Begun at prices that others led to.
          const { prices } = pricedPlans(day, limitsFor(day, late, 1000), plan.cost.doneMin + 9);
          const start = seed % 2 === 0 ? prices : null;
          const { doneMin, from, fromLike } = pricedPlans(
            day,
            limits,
            plan.cost.doneMin + 1 + more,
            start,
          );
          expect(doneMin).toBeLessThanOrEqual(plan.cost.doneMin + 1e-6);
          const way = wayTo(plan);
          expect(from(way.at(-1)!)).toBe(plan.cost.doneMin);
          for (const state of way)
            expect(from(state)).toBeLessThanOrEqual(plan.cost.doneMin + 1e-6);
          // Nor by prices that are right for one of them, or for another plan’s.
          const other = wayTo(oneByOne(day));
          for (const sample of [way[seed % way.length]!, other[seed % other.length]!]) {
            const like = fromLike(sample);
            for (const state of way)
              expect(like(state)).toBeLessThanOrEqual(plan.cost.doneMin + 1e-6);
          }
        },
      ),
      { numRuns: howMany(12, 600) },
    );
  });

  test('what breaks a limit has no price: a wheel too late, and together too late', () => {
    const back = (minutes: number) => ({
      block: 'back' as const,
      minutes,
      standMinutes: 0,
      notBeforeMin: 0,
      fixed: null,
    });
    const day: PlanProblem = {
      people: 1,
      benches: 1,
      visits: [{ dueMin: 20 }, { dueMin: 25 }],
      wheels: [20, 30].map((minutes, visit) => ({
        id: `w${visit}`,
        visit,
        blocks: [back(minutes)],
      })),
    };
    expect(pricedPlans(day, limitsFor(day, [], 0), 100).doneMin).toBe(100);
    // The second one has to wait: 25 minutes late. By less there is none, and prices alone say so.
    const lateBy = (min: number) => pricedPlans(day, limitsFor(day, [1], min), 100).doneMin;
    expect(lateBy(25)).toBeLessThanOrEqual(70);
    expect(lateBy(4)).toBe(100);
    expect(lateBy(24)).toBeGreaterThan(20 + 49);
    const { from } = pricedPlans(day, limitsFor(day, [1], 25), 100);
    const wrong = placedNext(day, placedNext(day, emptyState(day), 1, 0)!, 0, 0)!;
    expect(from(wrong)).toBe(Infinity);
    const right = placedNext(day, placedNext(day, emptyState(day), 0, 0)!, 1, 0)!;
    expect(from(right)).toBeCloseTo(70, 6);
    expect(limitsFor(day, [1], 25).ends).toEqual([20, 50]);
    expect(horizonOf(day)).toBe(50);
  });

  test('two late ones share what they may be late by', () => {
    const day = randomDay(9, 3);
    const limits = limitsFor({ ...day, visits: day.visits.map(() => ({ dueMin: 2 })) }, [0, 1], 7);
    expect([limits.lateMostMin, limits.ends.slice(0, 2)]).toEqual([7, [9, 9]]);
  });
});

describe('plans by their turns', () => {
  test('cost what the same blocks cost, placed one by one', () => {
    fc.assert(
      fc.property(fc.nat(100_000), fc.integer({ min: 1, max: 6 }), (seed, most) => {
        const day = randomDay(seed, most, 5, 3);
        const turns = placedOf(improved(day, oneByOne(day), 300)).map((p) => p.wheel);
        const shuffled = turns
          .map((wheel, i) => ({ wheel, by: (seed * (i + 3)) % 17 }))
          .sort((a, b) => a.by - b.by);
        const { costOf, stateOf } = turnPlans(day);
        for (const order of [turns, shuffled.map((t) => t.wheel)]) {
          const state = stateOf(order);
          expect(costOf(order)).toBe(asNumber(state.cost));
          expect(placedOf(state).map((p) => p.wheel)).toEqual(order);
        }
      }),
      { numRuns: howMany(15, 800) },
    );
  });
  test('a cost as a number: a promise before any lateness, lateness before any minute', () => {
    const cost = (broken: number, lateMin: number, doneMin: number): PlanCost => ({
      broken,
      lateMin,
      doneMin,
    });
    const rising = [
      cost(0, 0, 900_000),
      cost(0, 1, 0),
      cost(0, 900_000, 5),
      cost(1, 1, 0),
      cost(1, 1, 1),
    ];
    expect(rising.map(asNumber)).toEqual([...rising.map(asNumber)].sort((a, b) => a - b));
    expect(new Set(rising.map(asNumber)).size).toBe(rising.length);
  });
});

describe('layers', () => {
  const all = (day: PlanProblem, once: boolean) =>
    planLayers<number>(day, {
      boundOf: () => 0,
      compare: () => 0,
      width: Infinity,
      budget: Infinity,
      once,
    });
  test('each plan come by once only is as good, and takes fewer looks', () => {
    let [fewer, more] = [0, 0];
    for (let seed = 0; seed < howMany(25, 600); seed++) {
      const day = randomDay(seed, 4, 3, 3);
      const [once, often] = [all(day, true), all(day, false)];
      expect(compareCosts(once.best!.cost, often.best!.cost)).toBe(0);
      fewer += once.looked;
      more += often.looked;
    }
    expect(fewer).toBeLessThan(more);
  });
  test('a budget that ends says so', () => {
    const found = planLayers<number>(randomDay(3, 4), {
      boundOf: () => 0,
      compare: () => 0,
      width: Infinity,
      budget: 3,
    });
    expect([found.best, found.isWhole]).toEqual([null, false]);
  });
});

test('a day in steps of its grid: the same plan, in minutes', () => {
  for (let seed = 0; seed < 12; seed++) {
    const [small, large] = [randomDay(seed, 2, 1), randomDay(seed, 2, 7)];
    const [one, seven] = [bestPlan(small, 1000)!, bestPlan(large, 1000)!];
    expect(onGrid(large).gridMin % 7).toBe(0);
    // Where the smaller day has whole numbers of seven times less throughout, so has its plan.
    if (JSON.stringify(onGrid(large).problem) !== JSON.stringify(onGrid(small).problem)) continue;
    expect(seven.cost.doneMin).toBe(7 * one.cost.doneMin);
    expect(seven.placed.map((p) => p.startMin)).toEqual(one.placed.map((p) => 7 * p.startMin));
  }
  const odd = randomDay(4, 3, 5);
  const shifted = { ...odd, visits: [{ dueMin: 7 }, ...odd.visits.slice(1)] };
  expect(onGrid(shifted).gridMin).toBe(1);
  expect(onGrid(shifted).problem).toBe(shifted);
});

test('full mornings, of eight wheels in the long run: nearly all are proved', () => {
  let proved = 0;
  const mornings = howMany(1, 30);
  const wheels = howMany(6, 8);
  for (let seed = 0; seed < mornings; seed++) {
    const found = bestPlan(fullMorning(seed, wheels), howMany(200_000, 2_500_000))!;
    expect(compareCosts(found.bound, found.cost)).toBeLessThanOrEqual(0);
    expect(found.bound.broken).toBe(found.cost.broken);
    if (found.proven) proved++;
  }
  expect(proved).toBeGreaterThanOrEqual(mornings - 1);
}, 600_000);
