// What the program is made of: the licenses of every package that it runs with, and advisories that
// are known of them.
//   npm run check:supply
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, PROJECT } from './install.mjs';
import { isPackageTaken } from './licenses.cjs';

ensureInstalled();
const lock = JSON.parse(readFileSync(join(PROJECT, 'package-lock.json'), 'utf8'));

/** What a package says of its license in a file of its own, where it says nothing else. */
const byFile = (path) => {
  const dir = join(PROJECT, path);
  const file = existsSync(dir) && readdirSync(dir).find((name) => /^licen[cs]e/i.test(name));
  return file && /^\s*(the )?mit license/i.test(readFileSync(join(dir, file), 'utf8'))
    ? 'MIT'
    : undefined;
};

/** Packages that the built program needs, by their folder. */
const packages = Object.entries(lock.packages)
  .filter(
    ([path, { dev, optional }]) =>
      path !== '' && !dev && (!optional || existsSync(join(PROJECT, path))),
  )
  .map(([path, { version, license }]) => {
    const own = join(PROJECT, path, 'package.json');
    const said = existsSync(own) ? JSON.parse(readFileSync(own, 'utf8')).license : undefined;
    return {
      name: path.replace(/^.*node_modules\//, ''),
      version,
      license: String(said?.type ?? said ?? license ?? byFile(path) ?? 'none'),
    };
  });
const counts = new Map();
for (const { license } of packages) counts.set(license, (counts.get(license) ?? 0) + 1);
console.log(`${packages.length} packages run with the program:`);
for (const [license, count] of [...counts].sort((a, b) => b[1] - a[1]))
  console.log(`  ${count} × ${license}`);
const strange = packages.filter(({ name, license }) => !isPackageTaken(name, license));
for (const { name, version, license } of strange)
  console.log(`Not among the licenses that are taken: ${name} ${version}, ${license}`);

const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], {
  cwd: PROJECT,
  encoding: 'utf8',
});
const answer = (() => {
  try {
    return JSON.parse(stdout);
  } catch {
    return {};
  }
})();
const found = Object.values(answer.vulnerabilities ?? {});
if (!answer.metadata)
  console.log('Advisories: the registry does not answer. Nothing is known of them.');
else if (found.length === 0) console.log('Advisories: none is known.');
for (const { name, severity, range } of found)
  console.log(`Advisory: ${name} ${range}, ${severity}`);
process.exitCode =
  strange.length > 0 || found.some((f) => ['high', 'critical'].includes(f.severity)) ? 1 : 0;
