// Development: the screens reload as they are written, the server restarts when it is rebuilt.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT, ensureInstalled, run } from './install.mjs';

ensureInstalled();
const bin = (name) => join(PROJECT, 'node_modules', '.bin', name);
const file = process.env.RIMSTONE_DB ?? join(PROJECT, 'data', 'demo.sqlite');
if (run(bin('vite'), ['build', '--config', 'vite.server.config.mts', '--logLevel', 'warn']) !== 0)
  process.exit(1);
if (!existsSync(file)) run('node', ['dist/server/fill-demo.cjs', file]);

const children = [
  spawn(
    bin('vite'),
    ['build', '--config', 'vite.server.config.mts', '--watch', '--logLevel', 'warn'],
    { cwd: PROJECT, stdio: 'inherit' },
  ),
  spawn('node', ['--watch', 'dist/server/main.cjs'], {
    cwd: PROJECT,
    stdio: 'inherit',
    env: { ...process.env, RIMSTONE_DB: file },
  }),
  spawn(bin('vite'), ['--config', 'vite.config.mts'], { cwd: PROJECT, stdio: 'inherit' }),
];
const stop = () => children.forEach((c) => c.kill());
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
children.forEach((c) => c.once('exit', stop));
