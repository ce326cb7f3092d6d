import { readdirSync, readFileSync } from 'node:fs';
import { builtinModules } from 'node:module';

/** Packages that a file of the program imports, by their names alone. */
const importsOf = (file: string): string[] =>
  [
    ...readFileSync(file, 'utf8').matchAll(
      /^(?:import .*|\} from )'([^'./][^']*)';$|import\('([^'./][^']*)'\)/gm,
    ),
  ]
    .map(([, whole, late]) => (whole ?? late)!.replace(/^((?:@[^/]+\/)?[^/]+).*$/, '$1'))
    .filter((name) => !name.startsWith('node:') && !builtinModules.includes(name));

test('what the server runs with is among the dependencies, not among the tools', () => {
  const { dependencies } = JSON.parse(readFileSync('package.json', 'utf8')) as {
    dependencies: object;
  };
  const files = ['src/server', 'src/core', 'src/demo'].flatMap((dir) =>
    readdirSync(dir, { recursive: true })
      .map((name) => `${dir}/${String(name)}`)
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts')),
  );
  const asked = new Set(files.flatMap(importsOf));
  expect(asked.size).toBeGreaterThan(10);
  expect([...asked].filter((name) => !(name in dependencies))).toEqual([]);
});
