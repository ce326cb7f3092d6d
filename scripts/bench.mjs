// Builds and runs the benchmarks of tests/bench; each prints per-item times.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT, ensureBuilt, ensureInstalled, run } from './install.mjs';

ensureInstalled();
ensureBuilt();
const { build } = await import('vite');
const dir = join(PROJECT, 'tests', 'bench');
// Named ones alone, or all: `npm run bench -- choosing`.
const asked = process.argv.slice(2);
const names = readdirSync(dir)
  .filter((f) => f.endsWith('.ts'))
  .map((f) => f.slice(0, -3))
  .filter((n) => asked.length === 0 || asked.includes(n));
await build({
  configFile: false,
  logLevel: 'warn',
  publicDir: false,
  build: {
    ssr: true,
    outDir: join(PROJECT, 'dist', 'bench'),
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: Object.fromEntries(names.map((n) => [n, join(dir, `${n}.ts`)])),
      output: { format: 'cjs', entryFileNames: '[name].cjs', chunkFileNames: '[name].cjs' },
    },
  },
});
for (const name of names) {
  console.log(`\n${name}`);
  process.exitCode ||= run('node', [join('dist', 'bench', `${name}.cjs`)]);
}
