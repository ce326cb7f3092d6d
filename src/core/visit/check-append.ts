import { InputError } from '../errors';
import type { VisitEntryBody, VisitEntryData } from './entries';
import type { VisitState } from './fold-visit';

/** What is known of the jobs of a visit while something is written. */
export interface JobsNow {
  /** Its log holds more than its opening. */
  isBegun(jobId: string): boolean;
  isHandedOver(jobId: string): boolean;
}

type AnyRule = (
  data: VisitEntryBody['data'],
  state: VisitState,
  jobs: JobsNow,
  nowIso: string,
) => void;

const RULES: {
  [K in 'promised' | 'planned' | 'wheel-removed' | 'handed-over']: (
    data: VisitEntryData[K],
    state: VisitState,
    jobs: JobsNow,
    nowIso: string,
  ) => void;
} = {
  promised: ({ dueAt }, _state, _jobs, nowIso) => {
    if (dueAt < nowIso)
      throw new InputError(
        'data.dueAt',
        'The promise lies in the past.',
        'a day and a time still to come',
      );
  },
  planned: ({ jobId, person, startAt }, { wheels }, jobs) => {
    if (!wheels.some((w) => w.jobId === jobId))
      throw new InputError(
        'data.jobId',
        'This wheel takes no part in the visit.',
        'the job of one of its wheels',
      );
    if (jobs.isHandedOver(jobId))
      throw new InputError(
        'data.jobId',
        'This wheel is handed over.',
        'a wheel with work that is left',
      );
    if ((person === null) !== (startAt === null))
      throw new InputError(
        'data.startAt',
        'A person goes with a time.',
        'both, or neither: the plan places it',
      );
  },
  'wheel-removed': ({ jobId }, { wheels }, jobs) => {
    if (!wheels.some((w) => w.jobId === jobId))
      throw new InputError(
        'data.jobId',
        'This wheel takes no part in the visit.',
        'the job of one of its wheels',
      );
    if (jobs.isBegun(jobId))
      throw new InputError(
        'data.jobId',
        'Work on this wheel has begun: it stays in the visit.',
        'a wheel whose log holds no more than its opening',
      );
    if (wheels.length === 1)
      throw new InputError(
        'data.jobId',
        'A visit has at least one wheel.',
        'one of several wheels',
      );
  },
  'handed-over': (_data, { wheels }, jobs) => {
    const open = wheels.filter((w) => !jobs.isHandedOver(w.jobId));
    if (open.length > 0)
      throw new InputError(
        'kind',
        `${open.map((w) => w.position).join(' and ')}: not handed over yet.`,
        'every wheel of the visit handed over',
      );
  },
};

/**
 * Whether an entry may follow on a visit as it stands; `nowIso` for promises. Throws `InputError` that says what would be
 * right.
 */
export const checkVisitAppend = (
  body: VisitEntryBody,
  state: VisitState,
  jobs: JobsNow,
  nowIso: string,
): void => {
  const rule = (RULES as unknown as Partial<Record<VisitEntryBody['kind'], AnyRule>>)[body.kind];
  rule?.(body.data, state, jobs, nowIso);
};
