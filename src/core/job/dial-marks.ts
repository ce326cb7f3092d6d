import { farSideOf, lightMarkPlace } from '../bench/beads';
import { FINDINGS, INSPECTED } from '../bench/inspect';
import type { Step } from './procedure';
import { angleBetween } from '../base/units';
import { lockMarks, type DialMark } from '../fit/drawing';
import { balanceMarks, type SayMass } from './balance-marks';
import { bitesOf, fittedArc } from './bites-of';
import type { JobState } from './job-state';
import { lightMarkTo, newTireOf } from './new-tire';
import { ringOf } from './ring-of';
import type { StationId } from '../base/stations';

/** Writes a length. */
type SayLength = (mm: number) => string;

/**
 * Start, finish, keeper and every bite in its order; `bite` is the one at hand, those before it are
 * done.
 */
const levers = (state: JobState, step: Step, bite: number): DialMark[] => {
  const off = step.shows === 'levers-off';
  const plan = bitesOf(state, off ? 'off' : 'on');
  if (!plan) return [];
  const half = Math.ceil(plan.bites.length / 2);
  const now = plan.bites[Math.max(1, bite) - 1];
  const far = now && step.shows !== 'push-down' ? farSideOf(now) : null;
  const arc = far
    ? null
    : off
      ? { fromDeg: plan.kneelFromDeg, toDeg: plan.kneelToDeg }
      : step.shows === 'push-down'
        ? fittedArc(plan, half)
        : null;
  return [
    ...(arc ? [{ is: 'push', ...arc } as const] : []),
    ...(far?.well ? [{ is: 'far', lies: 'well', ...far.well } as const] : []),
    ...(far?.seat.map((its) => ({ is: 'far', lies: 'seat', ...its }) as const) ?? []),
    { is: 'start', deg: plan.startDeg },
    ...(Math.abs(angleBetween(plan.startDeg, plan.finishDeg)) > 1
      ? [{ is: 'finish', deg: plan.finishDeg } as const]
      : []),
    ...plan.bites.map((b): DialMark => ({
      is: 'bite',
      deg: b.leverDeg,
      n: b.n,
      done: b.n < bite,
      now: b.n === bite,
    })),
  ];
};

/**
 * The bolts of the ring at hand in their places, the next one lit, and its last round of the
 * feeler.
 */
const ringMarks = (state: JobState, sayMm: SayLength): DialMark[] => {
  const ring = ringOf(state);
  if (!ring) return [];
  const at = ring.next ?? ring.turns.at(-1)!;
  const isDone = (bolt: number) =>
    state.ringBolts.some((b) => b.ring === at.ring && b.pass === at.pass && b.bolt === bolt);
  const bolts = ring.turns
    .filter((t) => t.ring === at.ring && t.pass === at.pass)
    .map(({ bolt, deg }): DialMark => ({
      is: 'bolt',
      deg,
      n: bolt,
      state: isDone(bolt) ? 'done' : ring.next?.bolt === bolt ? 'now' : 'open',
    }));
  const gaps = state.ringGaps.filter((g) => g.ring === at.ring).at(-1)?.readings ?? [];
  const widest = Math.max(0.01, ...gaps.map((g) => g.gapMm));
  return [
    ...bolts,
    ...gaps.map(({ deg, gapMm }): DialMark => ({
      is: 'gap',
      deg,
      share: gapMm / widest,
      label: sayMm(gapMm),
    })),
  ];
};

/** Stations at which a finding is looked at; later another tire is on. */
const FINDING_STATIONS: ReadonlySet<StationId> = new Set(['tire-off', 'inspect']);

/** What was found, in its place. */
const findingMarks = ({ findings, findingPlaces }: JobState): DialMark[] => [
  ...(findings.tube?.includes('valve-leans') ? [{ is: 'lean' } as const] : []),
  ...INSPECTED.flatMap((part) =>
    (findingPlaces[part] ?? []).map(({ finding, deg }): DialMark => ({
      is: 'finding',
      deg,
      label: FINDINGS[part].find((f) => f.id === finding)?.mark ?? 'found here',
    })),
  ),
];

/**
 * The marks of the dial at a station, for the step at hand, and for the bite at hand while
 * levering; `say` writes masses.
 */
export const dialMarks = (
  state: JobState,
  station: StationId,
  {
    step,
    bite = 0,
    say,
    sayMm = (mm) => mm.toFixed(2),
  }: { step?: Step | undefined; bite?: number; say?: SayMass; sayMm?: SayLength } = {},
): DialMark[] => {
  if (!state.wheel) return [];
  const marks: DialMark[] = lockMarks(state.wheel);
  const levering =
    step !== undefined && ['levers-off', 'levers-on', 'push-down'].includes(step.shows ?? '');
  const lateStation = ['seat', 'set', 'balance', 'wheel-back', 'hand-over'].includes(station);
  // Where the mark goes is shown at Tire on; where it is, only on a tire that is known.
  const isMarkShown =
    (station === 'tire-on' && !levering) || (lateStation && state.chosen !== null);
  if (newTireOf(state).lightMark && isMarkShown) {
    const { deg } = lightMarkPlace(lightMarkTo(state), state.wheel.heavySpotDeg);
    marks.push({ is: 'light-mark', deg });
  }
  if (FINDING_STATIONS.has(station)) marks.push(...findingMarks(state));
  if (levering) marks.push(...levers(state, step, bite));
  if (step?.shows === 'ring') marks.push(...ringMarks(state, sayMm));
  if (step?.shows === 'arrow')
    marks.push({ is: 'arrow', clockwise: state.wheel.discSide !== 'left' });
  if (station === 'hand-over') marks.push(...balanceMarks(state.balance, say));
  return marks;
};
