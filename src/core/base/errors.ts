import { upperFirst } from './text-case';

/** What is wrong with one input, in words a fitter can act on. */
export interface InputProblem {
  /** The field as the caller names it, e.g. `pressureKpa` or `stock[2].massG`. */
  field: string;
  /** What is wrong with it. */
  message: string;
  /** What to enter or do instead: an imperative without a period. */
  expected: string;
}

/** The one error that core throws for bad input; everything else is a defect. */
export class InputError extends Error implements InputProblem {
  constructor(
    readonly field: string,
    message: string,
    readonly expected: string,
  ) {
    super(message);
    this.name = 'InputError';
  }

  toProblem(): InputProblem {
    return { field: this.field, message: this.message, expected: this.expected };
  }
}

/** A value, or the sentence that says why there is none. */
export type InputAttempt<T> = { ok: true; value: T } | { ok: false; problem: InputProblem };

/** Turns bad input into a value; every other error is a defect and goes on. */
export const tryInput = <T>(run: () => T): InputAttempt<T> => {
  try {
    return { ok: true, value: run() };
  } catch (error) {
    if (error instanceof InputError) return { ok: false, problem: error.toProblem() };
    throw error;
  }
};

/** A refusal as a fitter reads it: what is wrong, and what to do. */
export const refusalText = ({
  message,
  expected,
}: Pick<InputProblem, 'message' | 'expected'>): string =>
  expected === '' ? message : `${message} ${upperFirst(expected)}.`;
