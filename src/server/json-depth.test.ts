import fc from 'fast-check';
import { isTooDeep, MAX_JSON_DEPTH } from './json-depth';

const nested = (depth: number): string => '['.repeat(depth) + ']'.repeat(depth);

test('as deep as the limit is read, one deeper is not, however it is nested', () => {
  expect([isTooDeep(nested(MAX_JSON_DEPTH)), isTooDeep(nested(MAX_JSON_DEPTH + 1))]).toEqual([
    false,
    true,
  ]);
  expect(isTooDeep('{"a":'.repeat(MAX_JSON_DEPTH + 1))).toBe(true);
  expect(isTooDeep(nested(200_000))).toBe(true);
});

test('what stands in a text is no nesting, whatever is escaped in it', () => {
  expect(isTooDeep(JSON.stringify('['.repeat(500)))).toBe(false);
  expect(isTooDeep(JSON.stringify({ a: '\\"' + '{'.repeat(500) }))).toBe(false);
  expect(isTooDeep(`"\\\\"${nested(MAX_JSON_DEPTH + 1)}`)).toBe(true);
});

test('wide is not deep', () =>
  expect(isTooDeep(JSON.stringify(Array(5000).fill([{ a: [1] }])))).toBe(false));

test('for any JSON it tells the depth that a walk through it tells', () => {
  const depthOf = (value: unknown): number =>
    typeof value === 'object' && value !== null
      ? 1 + Math.max(0, ...Object.values(value).map(depthOf))
      : 0;
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 50 }), (value) => {
      expect(isTooDeep(JSON.stringify(value))).toBe(depthOf(value) > MAX_JSON_DEPTH);
    }),
  );
});
