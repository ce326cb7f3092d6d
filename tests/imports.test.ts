import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';

const FILES = readdirSync('src', { recursive: true, encoding: 'utf8' })
  .map((name) => join('src', name))
  .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'));

const fileOf = (from: string, specifier: string): string | undefined => {
  const path = normalize(join(dirname(from), specifier));
  return [`${path}.ts`, `${path}.tsx`, `${path}/index.ts`].find((name) => existsSync(name));
};

/** What each file imports, types included. */
const IMPORTS = new Map(
  FILES.map((file) => [
    file,
    [...readFileSync(file, 'utf8').matchAll(/(?:from|import\()\s*'(\.[^']+)'/g)].flatMap(
      ([, specifier]) => fileOf(file, specifier!) ?? [],
    ),
  ]),
);

/** The first cycle that a depth-first search meets; null if there is none. */
const firstCycle = (imports: ReadonlyMap<string, readonly string[]>): string[] | null => {
  const done = new Set<string>();
  const visit = (file: string, path: readonly string[]): string[] | null => {
    if (path.includes(file)) return [...path.slice(path.indexOf(file)), file];
    if (done.has(file)) return null;
    for (const next of imports.get(file) ?? []) {
      const cycle = visit(next, [...path, file]);
      if (cycle) return cycle;
    }
    done.add(file);
    return null;
  };
  for (const file of imports.keys()) {
    const cycle = visit(file, []);
    if (cycle) return cycle;
  }
  return null;
};

test('the search finds a cycle', () => {
  const path = new Map([
    ['a', ['b', 'c']],
    ['b', []],
    ['c', ['d']],
    ['d', ['b', 'c']],
  ]);
  expect(firstCycle(path)).toEqual(['c', 'd', 'c']);
});

test('no file imports itself by way of others, not even for types', () => {
  expect(FILES.length).toBeGreaterThan(500);
  expect(firstCycle(IMPORTS)).toBeNull();
});
