import type { InputProblem } from '../../core/base/errors';

/** Refusals that are about the person who asks, and not about what is asked for. */
const ABOUT_WHO: readonly string[] = ['session', 'lock'];

const listeners = new Set<() => void>();

/** Hears that no one is signed in here anymore, or that the screen is locked. */
export const onAuthRejected = (listener: () => void): void => void listeners.add(listener);

/** Tells of a refusal where it is one of those. */
export const reportAuthRejected = (status: unknown, problem: InputProblem | undefined): void => {
  if (status === 401 && problem && ABOUT_WHO.includes(problem.field))
    for (const listener of listeners) listener();
};
