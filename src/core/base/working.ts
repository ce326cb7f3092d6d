import Joi from 'joi';
import type { BasisKind, BasisSink } from './basis';
import { tryInput, type InputProblem } from './errors';
import { check } from './fields';
import { said, type Sentence, type SentenceQuantity, type Unit } from './units';

/** The trust that a result deserves: go on, look again, do not go on. */
export type Verdict = 'good' | 'check' | 'stop';

/** One constant or rule and its authority. */
export interface Basis extends Sentence {
  kind: BasisKind;
}

/** Why a verdict is what it is. */
export interface Reason extends Sentence {
  verdict: Verdict;
}

/** A reason from a pattern with `{0}` … in place of its quantities. */
export const reason = (
  verdict: Verdict,
  pattern: string,
  quantities: readonly SentenceQuantity[] = [],
): Reason => ({ verdict, ...said(pattern, quantities) });

/** One line of arithmetic, with the value in SI where a unit stands. */
export interface WorkingLine {
  label: string;
  formula: string;
  value: number | string;
  unit: Unit | null;
}

/** A result together with how it was reached. */
export interface Working<Result = unknown, Input = unknown> {
  name: string;
  input: Input;
  result: Result;
  verdict: Verdict | null;
  lines: WorkingLine[];
  basis: Basis[];
  cautions: string[];
}

/** Collects lines, basis, cautions and the verdict while a working runs. */
export interface Show extends BasisSink {
  /** Notes a line and hands its value on. */
  line<V extends number | string>(label: string, formula: string, value: V, unit?: Unit): V;
  /** The worst verdict given wins. */
  verdict(verdict: Verdict): void;
  caution(text: string): void;
}

/** A calculator's name, title and input, and how to run it. */
interface WorkingDefinition<Input, Result> {
  name: string;
  title: string;
  schema: Joi.ObjectSchema;
  example: Input;
  /** Throws `InputError` for input that does not fit. */
  run(input: Input): Working<Result, Input>;
}

/** A definition whose input is only known at run time, as the route and the bench tools hold it. */
export interface AnyWorking {
  name: string;
  title: string;
  schema: Joi.ObjectSchema;
  example: unknown;
  run(input: never): Working;
}

/** The order of verdicts by care: the only one in which they are sorted and compared. */
export const VERDICT_RANK: Record<Verdict, number> = { good: 0, check: 1, stop: 2 };

/** The more careful of two verdicts. */
export const worse = (a: Verdict | null, b: Verdict): Verdict =>
  a === null || VERDICT_RANK[b] > VERDICT_RANK[a] ? b : a;

/** Defines a computation: a pure function of its checked input that shows how it got there. */
export const defineWorking = <Input extends object, Result>(definition: {
  name: string;
  title: string;
  /**
   * Described once it is first asked for: a page, or a start of the server, needs few of all
   * workings.
   */
  input(): { [Field in keyof Required<Input>]: Joi.Schema };
  example: Input;
  work(input: Input, show: Show): Result;
}): WorkingDefinition<Input, Result> => {
  let described: Joi.ObjectSchema | null = null;
  const schema = () => (described ??= Joi.object(definition.input()).required());
  return {
    name: definition.name,
    title: definition.title,
    get schema() {
      return schema();
    },
    example: definition.example,
    run(raw) {
      const input = check<Input>(schema(), raw);
      const lines: WorkingLine[] = [];
      const basis: Basis[] = [];
      const cautions: string[] = [];
      let verdict: Verdict | null = null;
      const result = definition.work(input, {
        line(label, formula, value, unit) {
          lines.push({ label, formula, value, unit: unit ?? null });
          return value;
        },
        basis(kind, pattern, quantities) {
          const one = { kind, ...said(pattern, quantities) };
          if (!basis.some((b) => b.kind === kind && b.says === one.says)) basis.push(one);
        },
        verdict(given) {
          verdict = worse(verdict, given);
        },
        caution(words) {
          if (!cautions.includes(words)) cautions.push(words);
        },
      });
      return { name: definition.name, input, result, verdict, lines, basis, cautions };
    },
  };
};

/** The worst of several reasons; good for none. */
export const worstOf = (reasons: readonly Reason[]): Verdict =>
  reasons.reduce<Verdict>((v, r) => worse(v, r.verdict), 'good');

/** The gravest first; those of one verdict keep their order. */
export const worstFirst = <T extends { verdict: Verdict }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => VERDICT_RANK[b.verdict] - VERDICT_RANK[a.verdict]);

/** Shows nothing: for arithmetic that is wanted without its lines, many times over. */
export const SILENT: Show = {
  line: (_label, _formula, value) => value,
  basis: () => undefined,
  verdict: () => undefined,
  caution: () => undefined,
};

/** The working, or the sentence that says why there is none. */
export type Attempt<Result, Input = unknown> =
  { ok: true; working: Working<Result, Input> } | { ok: false; problem: InputProblem };

/**
 * Runs a working and turns bad input into a value, for screens that compute while the fitter types.
 */
export const attempt = <Input, Result>(
  definition: WorkingDefinition<Input, Result>,
  input: Input,
): Attempt<Result, Input> => {
  const found = tryInput(() => definition.run(input));
  return found.ok ? { ok: true, working: found.value } : found;
};
