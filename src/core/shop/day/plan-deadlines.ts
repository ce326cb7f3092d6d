import type { PlanBlock, PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';

/** The work left of a wheel from one of its blocks on. */
interface LeftFrom {
  work: number;
  /** At the stand; and the work that follows it there. */
  stand: number;
  after: number;
}

const leftFrom = (blocks: PlanProblem['wheels'][number]['blocks']): LeftFrom[] => {
  const left: LeftFrom[] = [{ work: 0, stand: 0, after: 0 }];
  for (const { minutes, standMinutes } of [...blocks].reverse()) {
    const [{ work, stand, after }] = left as [LeftFrom];
    left.unshift({
      work: work + minutes,
      stand: stand + standMinutes,
      after: stand > 0 || standMinutes > 0 ? after : after + minutes,
    });
  }
  return left;
};

/**
 * When a wheel's blocks from the next one up to `to` are done, where it is worked by itself from
 * `at` on.
 */
const aloneUntil = (blocks: readonly PlanBlock[], next: number, to: number, at: number): number => {
  let end = at;
  for (let b = next; b < to; b++) end = Math.max(end, blocks[b]!.notBeforeMin) + blocks[b]!.minutes;
  return end;
};

/**
 * Whether all that is fixed by hand and not placed yet may still begin in time: its person, and
 * what comes before it.
 */
export const canStand = ({ wheels }: PlanProblem): ((state: PlanState) => boolean) => {
  const held = wheels.flatMap(({ blocks }, w) =>
    blocks.flatMap(({ fixed }, b) => (fixed ? [{ w, b, blocks, ...fixed }] : [])),
  );
  return (state) =>
    held.every(({ w, b, blocks, person, startMin }) => {
      const next = state.next[w]!;
      return (
        next > b ||
        (state.free[person]! <= startMin &&
          aloneUntil(blocks, next, b, state.ready[w]!) <= startMin)
      );
    });
};

/**
 * Whether every wheel may still end by the end of its visit (`ends`, Infinity where nothing limits
 * it), as far as each wheel by itself, all hands together and the stand can say: what of a wheel
 * does not fit between a time and its end has to be done before that time. Asked very often; the
 * answer no is certain.
 *
 * Source: energetic reasoning, Erschler and Lopez 1990, with all intervals from now on.
 */
export const canEndBy = (
  { wheels }: PlanProblem,
  ends: readonly number[],
): ((state: PlanState) => boolean) => {
  const limited = wheels.flatMap(({ visit, blocks }, w) =>
    ends[visit]! < Infinity ? [{ w, blocks, end: ends[visit]!, left: leftFrom(blocks) }] : [],
  );
  const times = [...new Set(limited.map((l) => l.end))];

  const fitsHands = (state: PlanState, until: number): boolean => {
    let room = 0;
    for (const free of state.free) room += Math.max(0, until - free);
    for (const { w, end, left } of limited)
      room -= Math.max(0, left[state.next[w]!]!.work - Math.max(0, end - until));
    return room >= 0;
  };

  const fitsStand = (state: PlanState, until: number): boolean => {
    let room = until - state.stand;
    for (const { w, end, left } of limited) {
      const { stand, after } = left[state.next[w]!]!;
      room -= Math.max(0, stand - Math.max(0, end - after - until));
    }
    return room >= 0;
  };

  return (state) => {
    const first = Math.min(...state.free);
    for (const { w, blocks, end, left } of limited) {
      const next = state.next[w]!;
      const from = next < blocks.length ? Math.max(state.ready[w]!, first) : state.ready[w]!;
      if (aloneUntil(blocks, next, blocks.length, from) > end) return false;
      const { stand, after } = left[next]!;
      if (stand > 0 && !fitsStand(state, end - after)) return false;
    }
    return times.every((until) => fitsHands(state, until));
  };
};
