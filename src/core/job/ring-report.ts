import { torqueCheck } from '../bench/torque';
import type { Attempt, Reason } from '../base/working';
import { RING_WORDS } from './ring-names';
import type { JobState } from './job-state';
import { airOutOf, clampOf, crushOf, gapOf, ringOf, ringsOf } from './ring-of';
import type { StationId } from '../base/stations';

type Findings = { missing: string[]; doubts: string[] };
const NOTHING: Findings = { missing: [], doubts: [] };

const doubtsOf = (found: Attempt<{ reasons: Reason[] }> | null): string[] =>
  found?.ok
    ? found.working.result.reasons.filter((r) => r.verdict !== 'good').map((r) => r.says)
    : [];

/** The air before the bolts were touched. */
const tireOff = (state: JobState): Findings => {
  const air = airOutOf(state);
  return {
    missing: air?.ok && !air.working.result.mayUndo ? air.working.result.missing : [],
    doubts: [],
  };
};

const inspect = (state: JobState): Findings => ({
  missing: ringsOf(state)
    .filter((ring) => ring !== 'rim' && !state.beads[ring])
    .map((ring) => `bundle and gap of the ${ring} bead`),
  doubts: doubtsOf(crushOf(state)),
});

/** Whether the maker's torque goes with the bolts of the wheel. */
const clampDoubts = ({ wheel, rules }: JobState): string[] =>
  wheel ? doubtsOf(clampOf(wheel, rules)).slice(0, 1) : [];

const tireOn = (state: JobState): Findings => {
  const ring = ringOf(state);
  if (!ring) return { missing: ['how many bolts hold it'], doubts: [] };
  const left = ring.turns.length - ring.done;
  const { wantedNm } = ring;
  const off = state.ringBolts.filter(
    (b) =>
      wantedNm !== null &&
      b.torqueNm !== null &&
      !torqueCheck.run({ wantedNm, reachedNm: b.torqueNm }).result.within,
  );
  return {
    missing: left === 0 ? [] : [`${left} of ${ring.turns.length} bolt turns`],
    doubts: [
      ...(wantedNm === null ? ['The maker’s torque for its bolts is unknown.'] : []),
      ...off.map((b) => `${RING_WORDS[b.ring]}, bolt ${b.bolt}: clicked at the wrong torque.`),
      ...ring.rings.flatMap((name) => doubtsOf(gapOf(state, name))),
      ...clampDoubts(state),
    ],
  };
};

const REPORTS: Partial<Record<StationId, (state: JobState) => Findings>> = {
  'tire-off': tireOff,
  inspect,
  'tire-on': tireOn,
};

/**
 * The open readings of a clamped wheel at a station beside its steps, and its doubts; nothing for
 * other wheels.
 */
export const clampedReport = (state: JobState, station: StationId): Findings =>
  ringsOf(state).length === 0 ? NOTHING : (REPORTS[station]?.(state) ?? NOTHING);
