import { upperFirst } from './text-case';
import { said, sayIn, type SentenceQuantity } from './units/sentence';
import type { UnitPreferences } from './units/display';
import { SI_UNITS } from './units/unit-systems';

/** A fault of one input, in words a fitter can act on. */
export interface InputProblem {
  /** The field as the caller names it, e.g. `pressureKpa` or `stock[2].massG`. */
  field: string;
  /** The fault. */
  message: string;
  /** The remedy: an imperative without a period. */
  expected: string;
  /** Both with `{0}`, `{1}` … for their quantities, for a reader who measures in other units. */
  inUnits?: RefusalPattern;
}

interface RefusalPattern {
  message: string;
  expected: string;
  quantities: readonly SentenceQuantity[];
}

/** The one error that core throws for bad input; everything else is a defect. */
export class InputError extends Error implements InputProblem {
  constructor(
    readonly field: string,
    message: string,
    readonly expected: string,
    readonly inUnits?: RefusalPattern,
  ) {
    super(message);
    this.name = 'InputError';
  }

  toProblem(): InputProblem {
    const { field, message, expected, inUnits } = this;
    return { field, message, expected, ...(inUnits && { inUnits }) };
  }
}

/**
 * An `InputError` from patterns with `{0}`, `{1}` … for quantities: its own text is in SI units, and
 * `refusalText` puts it into the reader's.
 */
export const inputError = (
  field: string,
  message: string,
  expected: string,
  quantities: readonly SentenceQuantity[],
): InputError => {
  const inSi = (pattern: string) => sayIn(said(pattern, quantities), SI_UNITS);
  return new InputError(field, inSi(message), inSi(expected), { message, expected, quantities });
};

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

/**
 * A refusal as a fitter reads it: what is wrong, and what to do, in the reader's units where they
 * are given and in SI units where not.
 */
export const refusalText = (
  problem: Pick<InputProblem, 'message' | 'expected' | 'inUnits'>,
  units?: UnitPreferences,
): string => {
  const { inUnits } = problem;
  const read = (which: 'message' | 'expected') =>
    units && inUnits ? sayIn(said(inUnits[which], inUnits.quantities), units) : problem[which];
  const expected = read('expected');
  return expected === '' ? read('message') : `${read('message')} ${upperFirst(expected)}.`;
};
