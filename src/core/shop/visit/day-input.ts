import {
  blocksLeft,
  dayPlan,
  MAX_WHEELS,
  PLAN_MINUTES,
  PLAN_STEP_MIN,
  type DayVisit,
  type StationLeft,
} from '../day';
import type { RuleValues } from '../../base/rules';
import { POSITION_WORDS } from '../../fit/wheels';
import { withoutClashes, type LetGo } from './day-clashes';
import type { VisitState } from './entries';
import type { WheelNow } from './visit-summary';

type DayInput = Parameters<typeof dayPlan.run>[0];

/** A machine that is in, as its log and its wheels say. */
export interface InNow {
  id: string;
  state: VisitState;
  /** Parts that are not here, by what they are called. */
  missing: string[];
  wheels: { now: WheelNow; left: StationLeft[] }[];
}

/** A visit that cannot be planned, and why. */
export interface LeftOut {
  visitId: string;
  machineName: string;
  why: string;
}

const MINUTE_MS = 60_000;

/** Whole minutes from now to a moment. */
const minutesTo = (iso: string, nowMs: number): number =>
  Math.ceil((Date.parse(iso) - nowMs) / MINUTE_MS);

const stepAfter = (minutes: number): number => PLAN_STEP_MIN * Math.ceil(minutes / PLAN_STEP_MIN);
const stepBefore = (minutes: number): number => PLAN_STEP_MIN * Math.floor(minutes / PLAN_STEP_MIN);

/** For how long it still waits, in steps of a plan; 0 where it does not. */
const waitMinutes = ({ waits, waitsUntil }: VisitState, nowMs: number): number =>
  waits === null || waitsUntil === null ? 0 : Math.max(0, stepAfter(minutesTo(waitsUntil, nowMs)));

/**
 * The last step of a plan that keeps a promise; one that is long past or far off is so by no more
 * than a plan sees.
 */
const dueMinutes = ({ dueAt }: VisitState, nowMs: number): number | null =>
  dueAt === null
    ? null
    : Math.max(
        -PLAN_MINUTES,
        Math.min(PLAN_MINUTES, stepBefore((Date.parse(dueAt) - nowMs) / MINUTE_MS)),
      );

const inOrder = (a: InNow, b: InNow): number =>
  (a.state.dueAt ?? '9999').localeCompare(b.state.dueAt ?? '9999');

const dayVisit = (
  { id, state, wheels }: InNow,
  people: readonly string[],
  nowMs: number,
  rules: RuleValues,
): DayVisit => {
  const waitMin = waitMinutes(state, nowMs);
  return {
    id,
    name: state.machineName,
    dueMin: dueMinutes(state, nowMs),
    wheels: wheels.flatMap(({ now, left }) => {
      // The earliest that its next block can begin: the work before it takes its time.
      let readyMin = waitMin;
      const blocks = blocksLeft(left, rules).map((block, i) => {
        const put = state.planned.find((p) => p.jobId === now.jobId && p.block === block.block);
        const startMin = put ? minutesTo(put.startAt, nowMs) : 0;
        // What was to begin already is being worked on; what can no longer begin then is unpinned.
        const stands =
          put !== undefined &&
          people.includes(put.person) &&
          startMin <= PLAN_MINUTES &&
          (i === 0 || startMin >= readyMin);
        const beginMin = stands ? Math.max(startMin, readyMin) : readyMin;
        readyMin = beginMin + block.minutes;
        return {
          ...block,
          notBeforeMin: i === 0 ? waitMin : 0,
          fixed: stands ? { person: put.person, startMin: beginMin } : null,
        };
      });
      const name = `${state.machineName}, ${POSITION_WORDS[now.position].toLowerCase().replace(/ wheel$/, '')}`;
      return blocks.length === 0 ? [] : [{ id: now.jobId, name, blocks }];
    }),
  };
};

/**
 * The input of a day’s plan: the work that is left on every machine that is in, the nearest promise
 * first; and what cannot be planned, since no one knows until when it waits or since a plan holds
 * no more; and what was put by hand but cannot stay. `nowMs` is the mark of the clock that the plan
 * begins at.
 */
export const dayInput = (
  all: readonly InNow[],
  day: { people: string[]; benches: number; nowMs: number; rules: RuleValues },
): { input: DayInput; leftOut: LeftOut[]; letGo: LetGo[] } => {
  const { people, benches, nowMs, rules } = day;
  const leftOut: LeftOut[] = [];
  const visits: DayVisit[] = [];
  let wheels = 0;
  for (const one of [...all].sort(inOrder)) {
    const { id, state } = one;
    const out = (why: string) => leftOut.push({ visitId: id, machineName: state.machineName, why });
    if (state.waits !== null && state.waitsUntil === null) {
      out(`on hold for ${state.waits}, no date set`);
      continue;
    }
    if (state.waits === null && one.missing.length > 0) {
      out(`on hold for ${one.missing.join(', ')}, no date set`);
      continue;
    }
    if (waitMinutes(state, nowMs) > PLAN_MINUTES) {
      out(`on hold: ${state.waits} until ${state.waitsUntil!.slice(0, 10)}`);
      continue;
    }
    const visit = dayVisit(one, people, nowMs, rules);
    if (visit.wheels.length === 0) continue;
    if (wheels + visit.wheels.length > MAX_WHEELS) {
      out(`a plan holds ${MAX_WHEELS} wheels`);
      continue;
    }
    wheels += visit.wheels.length;
    visits.push(visit);
  }
  const clear = withoutClashes(visits);
  return { input: { people, benches, visits: clear.visits }, leftOut, letGo: clear.letGo };
};
