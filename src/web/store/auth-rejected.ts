import type { InputProblem } from '../../core/base/errors';

/** Refusals that are about whoever asks, and not about what is asked for. */
const ABOUT_WHO: readonly string[] = ['session', 'lock'];

const listeners = new Set<() => void>();

/** Hears that nobody is signed in here any more, or that the screen is locked. */
export const onAuthRejected = (listener: () => void): void => void listeners.add(listener);

/** Tells of a refusal where it is one of those. */
export const reportAuthRejected = (status: unknown, problem: InputProblem | undefined): void => {
  if (status === 401 && problem && ABOUT_WHO.includes(problem.field))
    for (const listener of listeners) listener();
};
