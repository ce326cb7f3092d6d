import { InputError } from '../../base/errors';
import { count, listOf, oneOf, record, text, boolean } from '../../base/fields';
import { counted } from '../../base/units';
import { defineWorking } from '../../base/working';
import { boundOf } from './plan-bound';
import {
  BLOCKS,
  BLOCK_WORDS,
  compareCosts,
  type BlockName,
  type PlanBlock,
  type PlanCost,
  type PlanProblem,
} from './plan-problem';
import { bestPlan, type PlanFound } from './plan-search';
import { emptyState } from './plan-state';

/** A wheel of the day with the work that is left on it. */
export interface DayWheel {
  id: string;
  name: string;
  blocks: {
    block: BlockName;
    minutes: number;
    standMinutes: number;
    notBeforeMin: number;
    /** Put there by hand: by whom, and when it begins. */
    fixed: { person: string; startMin: number } | null;
  }[];
}

/** A machine of the day; all times in minutes from now. */
export interface DayVisit {
  id: string;
  name: string;
  dueMin: number | null;
  wheels: DayWheel[];
}

interface Input {
  people: string[];
  benches: number;
  /** Looked at for longer, where someone has the time. */
  closely?: boolean;
  visits: DayVisit[];
}

/** A block of work in the plan. */
interface PlanRow {
  visitId: string;
  wheelId: string;
  block: BlockName;
  person: string;
  startMin: number;
  endMin: number;
  fixed: boolean;
}

/** A promise that the plan does not keep, and what would keep it. */
interface BrokenPromise {
  visitId: string;
  lateMin: number;
  would: string;
}

export interface DayPlan {
  rows: PlanRow[];
  /** When each visit is done, in minutes from now. */
  done: { visitId: string; endMin: number }[];
  broken: BrokenPromise[];
  cost: PlanCost;
  /** No plan costs less. */
  bound: PlanCost;
  /** It is the best plan there is. */
  proven: boolean;
}

/** So many states are looked at for a plan: about two seconds. */
const BUDGET = 1_000_000;
/** And so many where someone has the time for it: mostly seconds, two minutes at most. */
const CLOSE_BUDGET = 40_000_000;
/** And so many to see whether one more person would keep a promise. */
const HELP_BUDGET = 100_000;
/** A day of no more wheels and people is looked at until its plan is proved. */
const SMALL = { wheels: 8, people: 2 };
const DAY_MIN = 1440;
/** A plan takes no more wheels. */
export const MAX_WHEELS = 24;
/** So far before and after now a plan sees: 14 days. */
export const PLAN_MINUTES = 14 * DAY_MIN;

const clash = (field: string, message: string): InputError =>
  new InputError(field, message, 'Choose another time or person, or unpin it');

/** The blocks fixed by hand that cannot be, each with its sentence. */
const checkFixed = ({ people, visits }: Input): void => {
  const fixed = visits.flatMap((visit, v) =>
    visit.wheels.flatMap((wheel, w) =>
      wheel.blocks.flatMap((block, b) => {
        if (!block.fixed) return [];
        const field = `visits[${v}].wheels[${w}].blocks[${b}].fixed`;
        if (!people.includes(block.fixed.person))
          throw new InputError(
            field,
            `${block.fixed.person} is not at work.`,
            `Choose one of ${people.join(', ')}, or unpin it`,
          );
        const { startMin } = block.fixed;
        return [
          {
            field,
            ...block,
            person: block.fixed.person,
            startMin,
            endMin: startMin + block.minutes,
            wheel,
            b,
          },
        ];
      }),
    ),
  );
  for (const one of fixed) {
    const before = one.wheel.blocks
      .slice(0, one.b)
      .reduce((n, b) => Math.max(n, b.notBeforeMin) + b.minutes, 0);
    if (one.startMin < Math.max(before, one.notBeforeMin))
      throw clash(
        one.field,
        `${one.wheel.name}, ${BLOCK_WORDS[one.block]}: what comes before it is not done by then.`,
      );
    for (const other of fixed) {
      if (other === one) continue;
      const meets = (from: number, to: number, f: number, t: number) => from < t && f < to;
      if (
        one.person === other.person &&
        meets(one.startMin, one.endMin, other.startMin, other.endMin)
      )
        throw clash(
          one.field,
          `${one.person} would be at ${one.wheel.name} and at ${other.wheel.name} at once.`,
        );
      const standFrom = (x: typeof one) => x.endMin - x.standMinutes;
      if (
        one.standMinutes > 0 &&
        other.standMinutes > 0 &&
        meets(standFrom(one), one.endMin, standFrom(other), other.endMin)
      )
        throw clash(
          one.field,
          `${one.wheel.name} and ${other.wheel.name} would both be on the stand.`,
        );
    }
  }
};

/** Whether a day is small enough for its best plan to be found and proved. */
export const isSmallDay = ({
  people,
  visits,
}: {
  people: readonly string[];
  visits: readonly DayVisit[];
}): boolean =>
  people.length <= SMALL.people && visits.reduce((n, v) => n + v.wheels.length, 0) <= SMALL.wheels;

const problemOf = ({ people, benches, visits }: Input): PlanProblem => ({
  people: people.length,
  benches,
  visits: visits.map(({ dueMin }) => ({ dueMin })),
  wheels: visits.flatMap(({ wheels }, visit) =>
    wheels.map(({ id, blocks }) => ({
      id,
      visit,
      blocks: blocks.map((b): PlanBlock => ({
        ...b,
        fixed: b.fixed && { person: people.indexOf(b.fixed.person), startMin: b.fixed.startMin },
      })),
    })),
  ),
});

/** When each visit is done by a plan; 0 where nothing is left of it. */
const endsOf = (problem: PlanProblem, { placed }: PlanFound): number[] =>
  problem.visits.map((_, v) =>
    placed.reduce(
      (end, p) => (problem.wheels[p.wheel]!.visit === v ? Math.max(end, p.endMin) : end),
      0,
    ),
  );

/** The change that would keep a promise that the plan breaks. */
const wouldKeep = (problem: PlanProblem, visit: number, helped: PlanFound | null): string => {
  const dueMin = problem.visits[visit]!.dueMin!;
  const alone = { ...problem, wheels: problem.wheels.filter((w) => w.visit === visit) };
  const { broken } = boundOf(alone, emptyState(alone));
  if (broken > 0) return 'Can’t be kept, even with everyone on it. Tell the rider now.';
  const together = bestPlan(alone, HELP_BUDGET);
  const goesFirst = together !== null && together.cost.broken === 0;
  const helps = helped !== null && endsOf(problem, helped)[visit]! <= dueMin;
  if (helps)
    return goesFirst
      ? 'Add a person or put it first to keep it.'
      : 'One more person would keep it.';
  return goesFirst
    ? 'Putting it first keeps it but misses another promise.'
    : 'Needs a later promise. Tell the rider now.';
};

const work = (input: Input): { problem: PlanProblem; found: PlanFound; plan: DayPlan } => {
  checkFixed(input);
  const problem = problemOf(input);
  const found = bestPlan(problem, input.closely ? CLOSE_BUDGET : BUDGET);
  if (!found)
    throw new InputError(
      'visits',
      'No plan fits the pinned blocks. Unpin one.',
      'Pin fewer blocks, or later ones',
    );
  const visitOf = (wheel: number) => input.visits[problem.wheels[wheel]!.visit]!;
  const ends = endsOf(problem, found);
  const late = problem.visits.flatMap(({ dueMin }, v) =>
    dueMin !== null && ends[v]! > dueMin ? [v] : [],
  );
  const helped =
    late.length === 0 ? null : bestPlan({ ...problem, people: problem.people + 1 }, HELP_BUDGET);
  return {
    problem,
    found,
    plan: {
      rows: found.placed
        .map((p) => ({
          visitId: visitOf(p.wheel).id,
          wheelId: problem.wheels[p.wheel]!.id,
          block: problem.wheels[p.wheel]!.blocks[p.block]!.block,
          person: input.people[p.person]!,
          startMin: p.startMin,
          endMin: p.endMin,
          fixed: problem.wheels[p.wheel]!.blocks[p.block]!.fixed !== null,
        }))
        .sort((a, b) => a.startMin - b.startMin || a.person.localeCompare(b.person)),
      done: input.visits.map(({ id }, v) => ({ visitId: id, endMin: ends[v]! })),
      broken: late.map((v) => ({
        visitId: input.visits[v]!.id,
        lateMin: ends[v]! - problem.visits[v]!.dueMin!,
        would: wouldKeep(problem, v, helped),
      })),
      cost: found.cost,
      bound: found.bound,
      proven: found.proven,
    },
  };
};

const minutes = (from: number, to: number, label: string) =>
  count(from, to, `${label}, in minutes`);

/**
 * Day plan; then with the least lateness, then with the wheels done
 * soonest.
 *
 * 1 to 6 people, 1 to 12 benches, at most 24 wheels; whole minutes from now, up to 14 days. A wheel’s blocks follow
 * each other; one person works on a block without a break; blocks up to the balanced wheel take a
 * bench; one wheel at a time has the stand and the compressor. What is fixed by hand stays. Throws
 * `InputError` where what is fixed cannot be. Exact while the looked-at states last (far more of
 * them where it is asked to look `closely`), else with what no plan can beat.
 */
export const dayPlan = defineWorking<Input, DayPlan>({
  name: 'day-plan',
  title: 'Day plan',
  input: () => ({
    people: listOf(text(60, 'Who’s working'), 6, 'Who’s working'),
    benches: count(1, 12, 'Benches'),
    closely: boolean('Search longer').optional(),
    visits: listOf(
      record(
        {
          id: text(60, 'The visit'),
          name: text(80, 'The machine'),
          dueMin: minutes(-PLAN_MINUTES, PLAN_MINUTES, 'Promised').allow(null),
          wheels: listOf(
            record(
              {
                id: text(60, 'The wheel'),
                name: text(120, 'The wheel’s name'),
                blocks: listOf(
                  record(
                    {
                      block: oneOf(BLOCKS, 'The block of work'),
                      minutes: minutes(1, DAY_MIN, 'How long it takes'),
                      standMinutes: minutes(0, DAY_MIN, 'On the stand at its end'),
                      notBeforeMin: minutes(0, PLAN_MINUTES, 'Not before'),
                      fixed: record(
                        {
                          person: text(60, 'Who does it'),
                          startMin: minutes(0, PLAN_MINUTES, 'When it begins'),
                        },
                        'Fixed by hand',
                      ).allow(null),
                    },
                    'A block of work',
                  ),
                  3,
                  'Work left',
                ),
              },
              'A wheel',
            ),
            8,
            'Its wheels',
          ),
        },
        'A machine',
      ),
      MAX_WHEELS,
      'Machines in the shop',
    ),
  }),
  example: {
    people: ['Wim', 'Ada'],
    benches: 2,
    visits: [
      {
        id: 'hob',
        name: 'Hob 250',
        dueMin: 150,
        wheels: [
          {
            id: 'hob-r',
            name: 'Hob 250, rear',
            blocks: [
              { block: 'tire', minutes: 40, standMinutes: 20, notBeforeMin: 0, fixed: null },
              { block: 'back', minutes: 20, standMinutes: 0, notBeforeMin: 0, fixed: null },
            ],
          },
        ],
      },
      {
        id: 'tarn',
        name: 'Tarn 90',
        dueMin: 60,
        wheels: [
          {
            id: 'tarn-f',
            name: 'Tarn 90, front',
            blocks: [
              { block: 'back', minutes: 25, standMinutes: 0, notBeforeMin: 15, fixed: null },
            ],
          },
        ],
      },
    ],
  },
  work(input, show) {
    const { people, visits } = input;
    if (people.length === 0)
      throw new InputError('people', 'No one is working.', 'Enter at least one name');
    if (new Set(people).size < people.length)
      throw new InputError('people', 'A person is listed twice.', 'List each name once');
    const wheels = visits.flatMap((v) => v.wheels);
    if (wheels.length > MAX_WHEELS)
      throw new InputError(
        'visits',
        `${wheels.length} wheels are too many for one plan.`,
        `Enter at most ${MAX_WHEELS}`,
      );
    visits.forEach((visit, v) =>
      visit.wheels.forEach((wheel, w) =>
        wheel.blocks.forEach(({ block, minutes: long, standMinutes }, b) => {
          const field = `visits[${v}].wheels[${w}].blocks[${b}]`;
          if (b > 0 && BLOCKS.indexOf(wheel.blocks[b - 1]!.block) >= BLOCKS.indexOf(block))
            throw new InputError(
              field,
              'The blocks do not stand in the order of the work.',
              `Choose ${BLOCKS.join(', ')}`,
            );
          if (standMinutes > long)
            throw new InputError(
              `${field}.standMinutes`,
              'It would be on the stand for longer than the block takes.',
              `Enter at most ${long}`,
            );
        }),
      ),
    );
    const { found, plan } = work(input);
    show.basis(
      'practice',
      'a wheel is worked on in blocks: strip to bare wheel, tire on to balanced, back on',
    );
    show.basis(
      'practice',
      'one wheel at a time has the stand and the compressor, from seating to balanced',
    );
    show.basis(
      'memory',
      'each block takes its middle time; breaks and closing time are not counted',
    );
    show.line(
      'work',
      'all blocks together',
      wheels.reduce((n, w) => n + w.blocks.reduce((m, b) => m + b.minutes, 0), 0) + ' min',
    );
    show.line('promises not kept', 'the fewest first', found.cost.broken);
    show.line('late together', 'then the least', `${found.cost.lateMin} min`);
    show.line('wheels done after', 'then the least, over all wheels', `${found.cost.doneMin} min`);
    show.line(
      'is it the best?',
      found.proven ? 'every other plan costs as much or more' : 'no plan does better than this',
      found.proven
        ? 'yes, proved'
        : compareCosts(found.bound, found.cost) === 0
          ? 'yes'
          : `misses ${counted(found.bound.broken, 'promise')}, ${found.bound.lateMin} min late, ${found.bound.doneMin} min`,
    );
    show.verdict(plan.broken.length === 0 ? 'good' : 'check');
    return plan;
  },
});
