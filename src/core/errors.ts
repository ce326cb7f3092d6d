/** What is wrong with one input, in words a fitter can act on. */
export interface InputProblem {
  /** The field as the caller names it, e.g. `pressureKpa` or `stock[2].massG`. */
  field: string;
  /** What is wrong with it. */
  message: string;
  /** What would be right. */
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
