import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { isPackageTaken, isTaken } from '../scripts/licenses.cjs';

const ROOT = join(__dirname, '..');
const read = (path: string) => readFileSync(join(ROOT, path), 'utf8');
/** Everything that the program or its documents say can be set. */
const KNOWN = new Set(
  `${read('docs/running/README.md')}${read('docs/sign-in.md')}`.match(
    /\b(?:RIMSTONE_\w+|HOST|PORT|NODE_ENV)\b/g,
  ),
);

describe.each(['docs/running/Containerfile', 'docs/running/rimstone.service'])('%s', (path) => {
  const text = read(path);
  test('sets nothing that the program does not know, and starts what is built', () => {
    const set = text.match(/\b(?:RIMSTONE_\w+|HOST)(?==)/g)!;
    expect(set.length).toBeGreaterThan(1);
    expect(set.filter((name) => !KNOWN.has(name))).toEqual([]);
    expect(text).toMatch(/dist\/server\/main\.cjs/);
    expect(read('vite.server.config.mts')).toMatch(/main: 'src\/server\/main\.ts'/);
  });
});

test('the container holds all that the program reads from its folder', () => {
  const copied = [
    ...read('docs/running/Containerfile').matchAll(/COPY --from=build \/build\/(\S+)/g),
  ].map((m) => m[1]!);
  // What src/server/paths.ts names.
  for (const path of ['dist', 'node_modules', 'src/server/db/migrations'])
    expect(copied).toContain(path);
  for (const path of copied.filter((p) => p !== 'dist'))
    expect([path, existsSync(join(ROOT, path))]).toEqual([path, true]);
});

test.each([
  ['MIT', true],
  ['(MIT OR WTFPL)', true],
  ['MIT AND ISC AND BSD-3-Clause', true],
  ['(BSD-2-Clause OR MIT OR Apache-2.0)', true],
  ['GPL-3.0-only', false],
  ['MIT AND GPL-3.0-only', false],
  ['(GPL-2.0-only OR AGPL-3.0-only)', false],
  ['none', false],
])('a license that says %j is taken: %s', (license, is) => expect(isTaken(license)).toBe(is));

test('a library that is loaded beside the program is taken under a license of its own, and no other package is', () => {
  expect(isPackageTaken('@img/sharp-libvips-linux-x64', 'LGPL-3.0-or-later')).toBe(true);
  expect(isPackageTaken('@img/sharp-libvips-linux-x64', 'GPL-3.0-only')).toBe(false);
  expect(isPackageTaken('something', 'LGPL-3.0-or-later')).toBe(false);
  expect(isPackageTaken('something', 'MIT')).toBe(true);
});
