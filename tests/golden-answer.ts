import { tryInput } from '../src/core/base/errors';
import type { AnyWorking, Working } from '../src/core/base/working';

/** Figures of an answer that a golden file keeps. */
const MAX_FIGURES = 3;

/** The sentences inside a result: those of its reasons, wherever they stand. */
const sentencesIn = (value: unknown): string[] => {
  if (Array.isArray(value)) return value.flatMap(sentencesIn);
  if (value === null || typeof value !== 'object') return [];
  const { says, verdict } = value as { says?: unknown; verdict?: unknown };
  if (typeof says === 'string') return [typeof verdict === 'string' ? `${verdict}: ${says}` : says];
  return Object.values(value).flatMap(sentencesIn);
};

/** Six figures, so that a golden answer does not hang on the last digit of a computer. */
const figure = (value: number | string): number | string =>
  typeof value === 'number' ? Number(value.toPrecision(6)) : value;

/**
 * What a fitter acts on of an answer: the verdict, its sentences, its last figures, and the
 * cautions; or the refusal. Properties and published values hold the rest.
 */
const actedOn = (working: AnyWorking, input: object): string[] => {
  const found = tryInput((): Working => working.run(input as never));
  if (!found.ok) {
    const { field, message, expected } = found.problem;
    return [`refused at ${field}: ${message} ${expected}`];
  }
  const { verdict, result, lines, cautions } = found.value;
  return [
    `verdict ${verdict ?? 'none'}`,
    ...sentencesIn(result),
    ...lines
      .slice(-MAX_FIGURES)
      .map(
        ({ label, value, unit }) => `${label} = ${figure(value)}${unit === null ? '' : ` ${unit}`}`,
      ),
    ...cautions.map((c) => `caution: ${c}`),
  ];
};

/**
 * One golden file for a folder: each case by name, from a working's own example and what is
 * different in it.
 */
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
    expect(actedOn(working, input)).toMatchSnapshot();
  });
};
