import { BLOCK_WORDS, type DayVisit } from '../day';

/**
 * A block that was put by hand and cannot stay there, since another one that begins sooner is in
 * its way.
 */
export interface LetGo {
  visitId: string;
  wheel: string;
  why: string;
}

interface Put {
  visitId: string;
  wheelId: string;
  block: string;
  wheel: string;
  person: string;
  startMin: number;
  endMin: number;
  standMin: number;
}

const meet = (from: number, to: number, otherFrom: number, otherTo: number): boolean =>
  from < otherTo && otherFrom < to;

/** Why both cannot stay; null where they can. */
const whyNot = (late: Put, soon: Put): string | null => {
  if (late.person === soon.person && meet(late.startMin, late.endMin, soon.startMin, soon.endMin))
    return `${late.person} is at ${soon.wheel} then`;
  if (late.standMin < late.endMin && soon.standMin < soon.endMin)
    if (meet(late.standMin, late.endMin, soon.standMin, soon.endMin))
      return `${soon.wheel} is on the stand then`;
  return null;
};

/**
 * Checks the placements made by hand, one at a time: of two that meet the one that begins sooner
 * stays, the other is left to the plan. What a person was to have begun already begins now, and he
 * does one thing now.
 */
export const withoutClashes = (
  visits: readonly DayVisit[],
): { visits: DayVisit[]; letGo: LetGo[] } => {
  const puts = visits
    .flatMap((visit) =>
      visit.wheels.flatMap((wheel) =>
        wheel.blocks.flatMap(({ block, minutes, standMinutes, fixed }): Put[] => {
          if (!fixed) return [];
          const endMin = fixed.startMin + minutes;
          const { person, startMin } = fixed;
          const of = { visitId: visit.id, wheelId: wheel.id, block, wheel: wheel.name };
          return [{ ...of, person, startMin, endMin, standMin: endMin - standMinutes }];
        }),
      ),
    )
    .sort((a, b) => a.startMin - b.startMin);
  const kept: Put[] = [];
  const letGo: LetGo[] = [];
  const gone = new Set<string>();
  for (const put of puts) {
    const why = kept.map((soon) => whyNot(put, soon)).find((w) => w !== null);
    if (why === undefined) {
      kept.push(put);
      continue;
    }
    gone.add(`${put.wheelId} ${put.block}`);
    // What was to have begun already is no news: another one was.
    if (put.startMin > 0)
      letGo.push({
        visitId: put.visitId,
        wheel: put.wheel,
        why: `${BLOCK_WORDS[put.block as keyof typeof BLOCK_WORDS]}: ${why}`,
      });
  }
  const free = <B extends { block: string }>(wheelId: string, block: B): B =>
    gone.has(`${wheelId} ${block.block}`) ? { ...block, fixed: null } : block;
  return {
    visits: visits.map((visit) => ({
      ...visit,
      wheels: visit.wheels.map((w) => ({ ...w, blocks: w.blocks.map((b) => free(w.id, b)) })),
    })),
    letGo,
  };
};
