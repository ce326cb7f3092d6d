import { tryInput, type InputProblem } from '../src/core/base/errors';
import type { AnyWorking, Working } from '../src/core/base/working';

/** A sentence is golden with its values filled in; what it was made from is not said again. */
const MADE_FROM = new Set(['pattern', 'quantities']);

/** Numbers to six figures, so that a golden answer does not hang on the last digit of a machine. */
const figures = (value: unknown): unknown => {
  if (typeof value === 'number') return Number(value.toPrecision(6));
  if (Array.isArray(value)) return value.map(figures);
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value)
        .filter(([key]) => !MADE_FROM.has(key))
        .map(([key, v]) => [key, figures(v)]),
    );
  return value;
};

const short = (value: unknown): string => JSON.stringify(figures(value));

/** What a refusal says, in one line. */
const refusal = ({ field, message, expected }: InputProblem): string[] => [
  `refused at ${field}: ${message} ${expected}`,
];

/**
 * Everything that a working answers, line by line as it can be read: verdict, result, lines with their formulas, basis,
 * cautions; or its refusal.
 */
export const wholeAnswer = (working: AnyWorking, input: object): string[] => {
  const found = tryInput((): Working => working.run(input as never));
  if (!found.ok) return refusal(found.problem);
  const { verdict, result, lines, basis, cautions } = found.value;
  return [
    `verdict ${verdict ?? 'none'}`,
    ...Object.entries(result as object).map(([key, value]) => `${key} = ${short(value)}`),
    ...lines.map(
      ({ label, formula, value, unit }) =>
        `line: ${label} (${formula}) = ${short(value)}${unit === null ? '' : ` ${unit}`}`,
    ),
    ...basis.map((b) => `basis: ${b.kind}: ${b.says}`),
    ...cautions.map((c) => `caution: ${c}`),
  ];
};

/** One golden file for a folder: each case by name, from a working's own example and what is different in it. */
export const goldenAnswers = (
  cases: readonly (readonly [working: AnyWorking, changes: object])[],
): void => {
  test.each(
    cases.map(
      ([working, changes]) =>
        [`${working.name} ${JSON.stringify(changes)}`, working, changes] as const,
    ),
  )('%s', (_name, working, changes) => {
    const input = Object.fromEntries(
      Object.entries({ ...(working.example as object), ...changes }).filter(
        ([, value]) => value !== undefined,
      ),
    );
    expect(wholeAnswer(working, input)).toMatchSnapshot();
  });
};
