import { PROOF_STEPS } from '../procedure';
import type { Entry, EntryData, EntryKind } from './entries';
import type { JobState } from './fold-job';

/** Both molded lines are the same all round: both beads are seated. */
const LINE_STEP = 'seat-line';

/** The wheel is spun by hand: free, and nothing rubs. */
const SPIN_STEP = 'back-spin';

/** What was looked at together with others. */
type Looked = Pick<JobState, 'seated' | 'slack' | 'marks' | 'string'>;
type ByKind = { [K in EntryKind]?: (data: EntryData[K], after: Looked) => readonly string[] };

/** Slack after the last turn is read, and the wheel is straight by its marks or by a string. */
const aligned = ({ slack, marks, string }: Looked): readonly string[] =>
  slack.after && (marks || string) ? ['back-align'] : [];

/** What is read or looked at does the step that asks for it: nobody is asked twice. */
const DONE_BY: ByKind = {
  runout: () => ['in-true'],
  'spoke-ring': () => ['in-spokes'],
  seated: (_, { seated }) =>
    seated.disc === true && seated.other === true ? ['seat-pops', LINE_STEP] : [],
  'pressure-set': () => ['set-pressure'],
  slack: (_, after) => aligned(after),
  marks: (_, after) => aligned(after),
  string: (_, after) => aligned(after),
  brake: ({ firm, spin }) => [
    ...(firm ? [PROOF_STEPS.brake, PROOF_STEPS.pedal] : []),
    ...(spin === 'free' ? [SPIN_STEP] : []),
  ],
};

/** The steps that an entry does by what it says, of whatever procedure; `after` is the state with it. */
export const doneByReading = (entry: Entry, after: Looked): readonly string[] => {
  const of = DONE_BY[entry.kind] as
    ((data: unknown, after: Looked) => readonly string[]) | undefined;
  return of?.(entry.data, after) ?? [];
};

type Said = { [K in 'step' | 'seated']: { kind: K; data: EntryData[K] } }['step' | 'seated'];

/** What ticking a step writes: the step, or what was looked at where that does it. */
export const tickOf = (stepId: string): Said[] =>
  stepId === LINE_STEP
    ? (['disc', 'other'] as const).map((side) => ({ kind: 'seated', data: { side, seated: true } }))
    : [{ kind: 'step', data: { stepId } }];
