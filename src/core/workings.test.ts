import { PRACTICE } from './practice';
import { howMany } from '../../tests/case-count';
import Joi from 'joi';
import { InputError } from './base/errors';
import {
  check,
  count,
  date,
  expectedAt,
  fieldsOf,
  listOf,
  oneOf,
  quantity,
  record,
  text,
} from './base/fields';
import { DEFAULT_RULES } from './base/rules';
import { drawInput } from '../../tests/draw-input';
import { seeded } from './base/statistics';
import {
  attempt,
  defineWorking,
  VERDICT_RANK,
  worse,
  worstOf,
  type Reason,
  type Verdict,
  type Working,
} from './base/working';
import { findWorking, WORKINGS } from './workings';

describe.each(WORKINGS.map((w) => [w.name, w] as const))('%s', (name, definition) => {
  test('its example works, shows its lines, and rests on something named', () => {
    const working = definition.run(definition.example as never);
    expect(working.name).toBe(name);
    expect(working.result).toBeDefined();
    expect(working.lines.length).toBeGreaterThan(0);
    expect(working.basis.length).toBeGreaterThan(0);
    for (const line of working.lines) expect(line.label && line.formula).toBeTruthy();
    for (const line of working.lines)
      if (typeof line.value === 'number') expect(Number.isFinite(line.value)).toBe(true);
  });

  test('speaks in words: no key of a rule and no name of a field reaches a reader', () => {
    const { lines, basis, cautions } = definition.run(definition.example as never);
    const texts = [
      ...lines.flatMap((l) => [l.label, l.formula, String(l.value)]),
      ...basis.map((b) => b.says),
      ...cautions,
    ];
    const keys = DEFAULT_RULES.map((rule) => rule.key);
    const inside = /\b[a-z]+(Mm|Kpa|Deg|Nm|Kg)\b|undefined|NaN|null|\[object/;
    expect(
      texts.filter((text) => inside.test(text) || keys.some((key) => text.includes(key))),
    ).toEqual([]);
  });

  test('the same input gives the same working, and the input is left alone', () => {
    const input = structuredClone(definition.example) as never;
    const once = definition.run(input);
    expect(definition.run(input)).toEqual(once);
    expect(input).toEqual(definition.example);
  });

  test.each([undefined, null, 7, 'text', [], { nonsense: 1 }, {}])(
    '%j is refused by the input error alone',
    (input) => {
      expect(() => definition.run(input as never)).toThrow(InputError);
    },
  );

  test('every field says what it is for and what would be right', () => {
    for (const field of fieldsOf(definition.schema)) {
      expect(`${field.name}: ${field.says}`).not.toBe(`${field.name}: `);
      expect(field.expected.length).toBeGreaterThan(5);
    }
  });

  test('each required field that is missing is named', () => {
    for (const field of fieldsOf(definition.schema).filter((f) => f.required)) {
      const { [field.name]: _gone, ...rest } = definition.example as Record<string, unknown>;
      const tried = attempt(definition as never, rest as never);
      expect(tried).toMatchObject({
        ok: false,
        problem: { field: field.name, message: `${field.name} is missing.` },
      });
    }
  });
});

test('the registry holds no name twice and finds by name', () => {
  const names = WORKINGS.map((w) => w.name);
  expect(new Set(names).size).toBe(names.length);
  expect(findWorking('tire-size')?.name).toBe('tire-size');
  expect(findWorking('no-such')).toBeUndefined();
});

describe('defining a working', () => {
  const half = defineWorking<{ massG: number }, number>({
    name: 'half',
    title: 'Half of it',
    input: () => ({ massG: quantity('g', 0, 100, 'A mass') }),
    example: { massG: 4 },
    work({ massG }, show) {
      show.basis('measured', 'a scale');
      show.basis('measured', 'a scale');
      show.caution('Mind it.');
      show.caution('Mind it.');
      show.verdict('check');
      show.verdict('good');
      return show.line('half', 'mass / 2', massG / 2, 'g');
    },
  });

  test('lines, basis, cautions and the worst verdict are collected once', () => {
    expect(half.run({ massG: 8 })).toEqual({
      name: 'half',
      input: { massG: 8 },
      result: 4,
      verdict: 'check',
      lines: [{ label: 'half', formula: 'mass / 2', value: 4, unit: 'g' }],
      basis: [{ kind: 'measured', says: 'a scale' }],
      cautions: ['Mind it.'],
    });
  });

  test('an attempt turns bad input into a value', () => {
    expect(attempt(half, { massG: 101 })).toEqual({
      ok: false,
      problem: {
        field: 'massG',
        message: 'massG is too large.',
        expected: 'Enter a mass, 0 to 100 grams',
        inUnits: expect.objectContaining({ expected: 'Enter a mass, {0} to {1}' }),
      },
    });
    expect(attempt(half, { massG: 10 })).toMatchObject({ ok: true, working: { result: 5 } });
  });

  test('the more careful of two verdicts', () => {
    expect(worse(null, 'good')).toBe('good');
    expect(worse('stop', 'check')).toBe('stop');
    expect(worse('good', 'check')).toBe('check');
  });
});

describe('fields', () => {
  const schema = Joi.object({
    name: text(5, 'A name'),
    many: listOf(record({ n: count(1, 3, 'A count') }, 'A thing'), 2, 'Things'),
    kind: oneOf(['a', 'b'], 'A kind').optional(),
    on: date('A day').optional(),
  }).required();
  const good = { name: 'abc', many: [{ n: 1 }] };

  test.each([
    [{ ...good, name: 'abcdef' }, 'name', 'name is too long.', 'Enter a name, up to 5 characters'],
    [{ ...good, name: '' }, 'name', 'name is empty.', 'Enter a name, up to 5 characters'],
    [{ ...good, name: '   ' }, 'name', 'name is not valid.', 'Enter a name, up to 5 characters'],
    [{ ...good, name: 5 }, 'name', 'name is not valid.', 'Enter a name, up to 5 characters'],
    [
      { ...good, many: [{ n: 1 }, { n: 9 }] },
      'many[1].n',
      'n is too large.',
      'Enter a count, a whole number from 1 to 3',
    ],
    [
      { ...good, many: [{ n: 1.5 }] },
      'many[0].n',
      'n is not a whole number.',
      'Enter a count, a whole number from 1 to 3',
    ],
    [
      { ...good, many: [{ n: '1' }] },
      'many[0].n',
      'n is not a number.',
      'Enter a count, a whole number from 1 to 3',
    ],
    [
      { ...good, many: [{ n: 1e300 }] },
      'many[0].n',
      'n is too large.',
      'Enter a count, a whole number from 1 to 3',
    ],
    [
      { ...good, many: [1, 2, 3].map((n) => ({ n })) },
      'many',
      'many has too many items.',
      'Enter things, 2 at most',
    ],
    [{ ...good, kind: 'c' }, 'kind', 'kind is not valid.', 'Choose a kind: a, b'],
    [
      { ...good, on: '2026-13-01' },
      'on',
      'on is not valid.',
      'Enter a day, a date such as 2026-04-30',
    ],
    [
      { ...good, extra: 1 },
      'extra',
      'extra is not a field here.',
      'Use the fields that the catalog lists',
    ],
  ])('%j', (value, field, message, expected) => {
    try {
      check(schema, value);
    } catch (error) {
      expect(error).toMatchObject({ field, message, expected });
    }
    expect.assertions(1);
  });

  test('a good value comes back as it is', () => {
    expect(check(schema, good)).toEqual(good);
  });

  test('what would be right is found along a path that leads nowhere', () => {
    expect(expectedAt(schema, ['many', 0, 'n'])).toMatch(/whole number/);
    expect(expectedAt(schema, ['no', 'such', 'path'])).toBe(
      'Use the fields that the catalog lists',
    );
  });
});

/**
 * May take longer than a request should: done by the pool of threads, and drawn from less often
 * here.
 */
const SLOW = new Set([
  'balance-estimate',
  'balance-advise',
  'balance-place',
  'stand-band',
  'practice-balance',
  'practice-true',
  'day-plan',
]);

/** Worked out once, when it is first asked for. */
const lazily = <T>(make: () => T): (() => T) => {
  let made: { it: T } | null = null;
  return () => (made ??= { it: make() }).it;
};

/** Every text and number inside a value, with where it stands. */
const leavesOf = (value: unknown, path = ''): { path: string; leaf: unknown }[] =>
  value !== null && typeof value === 'object'
    ? Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, `${path}.${key}`))
    : [{ path, leaf: value }];

/** A text that no one wrote on purpose. */
const SLIPPED =
  /undefined|NaN|\bnull\b|\[object|Infinity|\S {2,}\S|(?<![\d.])1 (bites|tries|days|years|pieces|holes|places|readings|spokes|patches|wheels|steps)\b/;

describe.each(WORKINGS.map((w) => [w.name, w] as const))(
  '%s, given anything that its schema takes',
  (name, definition) => {
    const chance = seeded(20_261);
    const inputs = Array.from({ length: SLOW.has(name) ? howMany(1, 2) : howMany(5, 40) }, () =>
      drawInput(definition.schema, chance),
    );
    for (const input of inputs)
      if ('mostSteps' in (input as object)) Object.assign(input as object, { mostSteps: 4000 });
    const tries = lazily(() => inputs.map((input) => attempt(definition as never, input as never)));

    test('answers with finite numbers and whole sentences, or refuses in one', () => {
      const slips = tries().flatMap((tried) => {
        const { result, lines, basis, cautions } = tried.ok
          ? tried.working
          : ({} as Partial<Working<unknown>>);
        return leavesOf(tried.ok ? { result, lines, basis, cautions } : tried.problem).filter(
          ({ path, leaf }) =>
            // What was typed in comes back as it is.
            !/name|\.id$|text$|marking|canonical/.test(path) &&
            (typeof leaf === 'number'
              ? !Number.isFinite(leaf)
              : typeof leaf === 'string' && SLIPPED.test(leaf)),
        );
      });
      expect(slips).toEqual([]);
    });

    test('a verdict is as grave as the gravest of its reasons', () => {
      for (const tried of tries()) {
        if (!tried.ok) continue;
        const { verdict, result } = tried.working as {
          verdict: Verdict | null;
          result: { reasons?: Reason[] };
        };
        const reasons = (result?.reasons ?? []).filter((r) => r?.verdict);
        if (reasons.length > 0)
          expect(VERDICT_RANK[worstOf(reasons)]).toBeLessThanOrEqual(VERDICT_RANK[verdict!]);
      }
    });
  },
);

test('every kind of practice is scored by one of the calculators, and each level by name', () => {
  for (const { scores, levels } of Object.values(PRACTICE)) {
    expect(WORKINGS).toContain(scores);
    expect(new Set(levels).size).toBe(levels.length);
    for (const level of levels)
      expect(attempt(scores, { seed: 3, level, acts: [] } as never)).not.toMatchObject({
        problem: { field: 'level' },
      });
  }
});
