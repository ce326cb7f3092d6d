import { count, listOf, oneOf, ruleValues, text } from '../../base/fields';
import { ruleWord, type RuleValues } from '../../base/rules';
import { defineWorking } from '../../base/working';

export const RING_SCHOOLS = ['round and round', 'crossing'] as const;
export type RingSchool = (typeof RING_SCHOOLS)[number];

/** The stages in which rings are brought down, in this order. Common practice. */
export const RING_STAGES = [
  'by hand',
  'half a turn each until the gap closes',
  'torque',
  'torque again',
] as const;

/** One bolt in its turn; bolts are numbered from 1, clockwise from the valve. */
export interface RingMove {
  stage: string;
  bolt: number;
  /** Clockwise from the first bolt. */
  deg: number;
}

interface Input {
  bolts: number;
  school?: RingSchool;
  stages?: string[];
  rules?: RuleValues;
}

/** The number of bolts between two of them, the shorter way round; bolts counted from 0. */
const apart = (a: number, b: number, bolts: number): number => {
  const forward = Math.abs(a - b) % bolts;
  return Math.min(forward, bolts - forward);
};

/**
 * One stage across the ring: always on to the bolt farthest from the last one, of those the one
 * farthest from all that are done.
 */
const crossing = (bolts: number, last: number | null): number[] => {
  const left = new Set(Array.from({ length: bolts }, (_, i) => i));
  const order: number[] = [];
  let at = last;
  while (left.size > 0) {
    const from = at;
    const nearestDone = (bolt: number) =>
      Math.min(...order.map((done) => apart(bolt, done, bolts)));
    const best = [...left].reduce((a, b) => {
      const further = from === null ? 0 : apart(b, from, bolts) - apart(a, from, bolts);
      if (further !== 0) return further > 0 ? b : a;
      return order.length > 0 && nearestDone(b) > nearestDone(a) ? b : a;
    });
    left.delete(best);
    order.push(best);
    at = best;
  }
  return order;
};

/** Every move of the stages, bolt by bolt. */
export const ringMoves = (
  bolts: number,
  school: RingSchool,
  stages: readonly string[],
): RingMove[] => {
  const moves: RingMove[] = [];
  let last: number | null = null;
  for (const stage of stages) {
    const order: number[] =
      school === 'crossing' ? crossing(bolts, last) : Array.from({ length: bolts }, (_, i) => i);
    for (const bolt of order) moves.push({ stage, bolt: bolt + 1, deg: (360 * bolt) / bolts });
    last = order.at(-1) ?? null;
  }
  return moves;
};

/**
 * In which order the bolts of a ring are brought down, stage by stage.
 *
 * `bolts` 4 to 36; stages of the shop, or the usual four. Crossing never takes neighbors one after the other, four bolts
 * excepted, where that cannot be avoided. Common practice has two schools; the maker's own order
 * binds.
 */
export const ringOrder = defineWorking<Input, { moves: RingMove[] }>({
  name: 'ring-order',
  title: 'Ring bolt order',
  input: () => ({
    bolts: count(4, 36, 'Bolts of the ring'),
    school: oneOf(RING_SCHOOLS, 'Order around the ring').optional(),
    stages: listOf(text(60, 'A stage'), 8, 'Stages').optional(),
    rules: ruleValues(),
  }),
  example: { bolts: 12, school: 'crossing' },
  work({ bolts, school, stages = [...RING_STAGES], rules }, show) {
    const by = school ?? (ruleWord('ring.order', rules, show) as RingSchool);
    show.line('order', 'school', by);
    show.line('moves', 'bolts × stages', bolts * stages.length);
    show.basis(
      'practice',
      'by hand, half a turn each until the gap closes evenly, torque, and torque again',
    );
    show.verdict('good');
    show.caution('The maker’s order comes first. Only a torque wrench finishes.');
    return { moves: ringMoves(bolts, by, stages) };
  },
});
