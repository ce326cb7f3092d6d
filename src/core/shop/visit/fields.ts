import { InputError } from '../../base/errors';
import { text } from '../../base/fields';
import type { VisitWheel } from './define-entry';

export const ID = text(60, 'An id').pattern(/^[\w-]+$/);

/** Throws `InputError` for a job that is not one of the visit's wheels. */
export const checkTakesPart = (wheels: readonly VisitWheel[], jobId: string): void => {
  if (!wheels.some((w) => w.jobId === jobId))
    throw new InputError(
      'data.jobId',
      'This wheel takes no part in the visit.',
      'Choose one of its wheels',
    );
};
