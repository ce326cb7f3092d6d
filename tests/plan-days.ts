import loadHighs from 'highs';
import {
  BLOCKS,
  onBench,
  type PlanCost,
  type PlanProblem,
  type PlanWheel,
} from '../src/core/shop/day/plan-problem';
import { seeded } from '../src/core/base/statistics';

/** A random day: so many wheels of one or two visits each, times of `unit` minutes. */
export const randomDay = (
  seed: number,
  mostWheels: number,
  unit = 1,
  mostPeople = 2,
): PlanProblem => {
  const chance = seeded(seed * 17 + 3);
  const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
  const people = whole(1, mostPeople);
  const wheelCount = whole(1, mostWheels);
  const wheels: PlanWheel[] = [];
  let visit = -1;
  for (let w = 0; w < wheelCount; w++) {
    if (w === 0 || chance() < 0.6) visit++;
    const from = whole(0, 2);
    const blocks = BLOCKS.slice(from).map((block) => {
      const minutes = whole(1, 4) * unit;
      return {
        block,
        minutes,
        standMinutes: block === 'tire' ? Math.min(minutes, whole(0, 2) * unit) : 0,
        notBeforeMin: chance() < 0.2 ? whole(1, 8) * unit : 0,
        fixed: null,
      };
    });
    wheels.push({ id: `w${w}`, visit, blocks });
  }
  const work = wheels.flatMap((w) => w.blocks).reduce((n, b) => n + b.minutes, 0);
  const visits = Array.from({ length: visit + 1 }, () => ({
    dueMin: chance() < 0.75 ? Math.ceil((work * (0.2 + chance())) / unit / people) * unit : null,
  }));
  return { people, benches: chance() < 0.3 ? 1 : people, visits, wheels };
};

/**
 * A full morning: so many wheels, each with all of its blocks, on a grid of five minutes; most
 * machines promised.
 */
export const fullMorning = (seed: number, wheelCount = 8): PlanProblem => {
  const chance = seeded(seed * 31 + 11);
  const onGrid = (from: number, to: number) =>
    5 * Math.round((from + Math.floor(chance() * (to - from + 1))) / 5);
  const usual = { bare: [12, 20], tire: [18, 35], back: [15, 30] } as const;
  const wheels: PlanWheel[] = [];
  let visit = -1;
  for (let w = 0; w < wheelCount; w++) {
    if (w === 0 || chance() < 0.55) visit++;
    const blocks = BLOCKS.map((block, i) => ({
      block,
      minutes: onGrid(usual[block][0], usual[block][1]),
      standMinutes: block === 'tire' ? onGrid(8, 15) : 0,
      notBeforeMin: i > 0 && chance() < 0.1 ? onGrid(30, 120) : 0,
      fixed: null,
    }));
    wheels.push({ id: `w${w}`, visit, blocks });
  }
  const work = wheels.flatMap((w) => w.blocks).reduce((n, b) => n + b.minutes, 0);
  const visits = Array.from({ length: visit + 1 }, () => ({
    dueMin: chance() < 0.75 ? 5 * Math.ceil((work * (0.175 + 0.425 * chance())) / 5) : null,
  }));
  return { people: 2, benches: 2, visits, wheels };
};

/** The same day for a solver, slot by slot: a variable for every block, person and beginning. */
const asProgram = ({ people, benches, visits, wheels }: PlanProblem): string => {
  const blocks = wheels.flatMap((wheel, w) => wheel.blocks.map((b, i) => ({ ...b, w, i })));
  const latest = Math.max(
    0,
    ...blocks.map((b) => b.notBeforeMin),
    ...blocks.map((b) => b.fixed?.startMin ?? 0),
  );
  const slots = latest + blocks.reduce((n, b) => n + b.minutes, 0);
  const vars = blocks.flatMap((b) =>
    Array.from({ length: people }, (_, p) => p).flatMap((p) =>
      Array.from({ length: slots }, (_, t) => t)
        .filter((t) => t >= b.notBeforeMin && t + b.minutes <= slots)
        .filter((t) => !b.fixed || (b.fixed.person === p && b.fixed.startMin === t))
        .map((t) => ({ b, p, t, name: `x_${b.w}_${b.i}_${p}_${t}` })),
    ),
  );
  const of = (w: number, i: number) => vars.filter((v) => v.b.w === w && v.b.i === i);
  const sum = (all: readonly { name: string; by?: number }[]) =>
    all.map((v) => `+ ${v.by ?? 1} ${v.name}`).join(' ');
  const rows: string[] = [];
  for (const b of blocks) rows.push(`${sum(of(b.w, b.i))} = 1`);
  const atMost = (
    all: typeof vars,
    held: (v: (typeof vars)[number]) => [number, number],
    most: number,
  ) => {
    for (let t = 0; t < slots; t++) {
      const then = all.filter((v) => held(v)[0] <= t && t < held(v)[1]);
      if (then.length > 0) rows.push(`${sum(then)} <= ${most}`);
    }
  };
  const whole = (v: (typeof vars)[number]): [number, number] => [v.t, v.t + v.b.minutes];
  for (let p = 0; p < people; p++)
    atMost(
      vars.filter((v) => v.p === p),
      whole,
      1,
    );
  atMost(
    vars.filter((v) => onBench(v.b)),
    whole,
    benches,
  );
  atMost(
    vars.filter((v) => v.b.standMinutes > 0),
    (v) => [v.t + v.b.minutes - v.b.standMinutes, v.t + v.b.minutes],
    1,
  );
  const starts = (w: number, i: number, sign: 1 | -1) =>
    of(w, i).map((v) => ({ name: v.name, by: sign * v.t }));
  for (const b of blocks)
    if (b.i > 0)
      rows.push(
        `${sum([...starts(b.w, b.i, 1), ...starts(b.w, b.i - 1, -1)])} >= ${wheels[b.w]!.blocks[b.i - 1]!.minutes}`,
      );
  const done: { name: string; by: number }[] = [];
  wheels.forEach((wheel, w) => {
    const last = wheel.blocks.length - 1;
    done.push(...starts(w, last, 1));
    const { dueMin } = visits[wheel.visit]!;
    if (dueMin === null) return;
    // The wheel's end is its last block's beginning and its minutes.
    const slack = dueMin - wheel.blocks[last]!.minutes;
    rows.push(`${sum(starts(w, last, 1))} - l_${wheel.visit} <= ${slack}`);
    rows.push(`l_${wheel.visit} - ${2 * slots} y_${wheel.visit} <= 0`);
  });
  const promised = visits.flatMap((v, i) => (v.dueMin === null ? [] : [i]));
  const DONE = 1;
  const LATE = slots * wheels.length + 1;
  const BROKEN = LATE * slots * visits.length + 1;
  const goal = [
    ...done.map((d) => ({ name: d.name, by: d.by * DONE })),
    ...promised.flatMap((v) => [
      { name: `l_${v}`, by: LATE },
      { name: `y_${v}`, by: BROKEN },
    ]),
  ].filter((g) => g.by !== 0);
  return [
    'Minimize',
    ` obj: ${sum(goal) || '0 x_0_0_0_0'}`,
    'Subject To',
    ...rows.map((row, i) => ` c${i}: ${row}`),
    'Binary',
    ` ${[...vars.map((v) => v.name), ...promised.map((v) => `y_${v}`)].join(' ')}`,
    'End',
  ].join('\n');
};

/** The best cost of a day by the solver; null where there is no plan. */
export const solvedDay = async (problem: PlanProblem): Promise<PlanCost | null> => {
  const highs = await loadHighs();
  const { Status, Columns } = highs.solve(asProgram(problem), {
    output_flag: false,
    mip_rel_gap: 0,
    mip_abs_gap: 0.5,
  });
  if (Status !== 'Optimal') return null;
  const value = (name: string) =>
    Math.round((Columns[name] as { Primal?: number } | undefined)?.Primal ?? 0);
  const ends = problem.wheels.map((wheel, w) => {
    const last = wheel.blocks.length - 1;
    const name = Object.keys(Columns).find(
      (n) => n.startsWith(`x_${w}_${last}_`) && value(n) === 1,
    )!;
    return Number(name.split('_')[4]) + wheel.blocks[last]!.minutes;
  });
  const late = problem.visits.map(({ dueMin }, v) => {
    const end = Math.max(...problem.wheels.flatMap((w, i) => (w.visit === v ? [ends[i]!] : [])));
    return dueMin === null ? 0 : Math.max(0, end - dueMin);
  });
  return {
    broken: late.filter((l) => l > 0).length,
    lateMin: late.reduce((a, b) => a + b, 0),
    doneMin: ends.reduce((a, b) => a + b, 0),
  };
};
