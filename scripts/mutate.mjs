// Mutation testing of a folder of the core by its own tests: `npm run mutate --
// src/core/bench/torque`. Takes minutes. A large folder is sampled, every ninth line of it: `npm
// run mutate -- src/core/bench/balance 9`.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, PROJECT, run } from './install.mjs';

const path = (process.argv[2] ?? '').replace(/\/+$/, '');
const every = Number(process.argv[3] ?? 1);
if (
  !path.startsWith('src/core/') ||
  !existsSync(join(PROJECT, path)) ||
  !Number.isInteger(every) ||
  every < 1
) {
  console.error(
    'Name a file or folder of the core, such as: npm run mutate -- src/core/bench/torque',
  );
  process.exit(2);
}
ensureInstalled();

/** The files of the path that hold more than tests and lists of what a folder offers. */
const files = path.endsWith('.ts')
  ? [path]
  : readdirSync(join(PROJECT, path), { recursive: true })
      .map(String)
      .filter(
        (name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.endsWith('index.ts'),
      )
      .map((name) => `${path}/${name}`);

/** Every ninth line, say, counted on from one file to the next. */
let line = 0;
const sampled = files.flatMap((file) =>
  readFileSync(join(PROJECT, file), 'utf8')
    .split('\n')
    .flatMap((_, i) => (line++ % every === 0 ? [`${file}:${i + 1}-${i + 1}`] : [])),
);

process.exit(
  run('npx', ['stryker', 'run', '--mutate', (every === 1 ? files : sampled).join(',')], {
    MUTATE: path.split('/').slice(0, 3).join('/'),
  }),
);
