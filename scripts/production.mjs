// Whether the built program starts with the packages that it runs with alone, as on a shop's
// machine.
//   npm run check:production
import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, PROJECT, run } from './install.mjs';

ensureInstalled();
ensureBuilt();
const dir = mkdtempSync(join(tmpdir(), 'rimstone-production-'));
try {
  // What the container file copies.
  for (const path of [
    'package.json',
    'package-lock.json',
    'dist',
    join('src', 'server', 'db', 'migrations'),
  ])
    cpSync(join(PROJECT, path), join(dir, path), { recursive: true });
  if (
    run('npm', [
      'ci',
      '--omit=dev',
      '--prefix',
      dir,
      '--no-audit',
      '--no-fund',
      '--loglevel=error',
    ]) !== 0
  )
    throw new Error('the packages could not be installed');
  const child = spawn('node', ['dist/server/main.cjs', '--new'], {
    cwd: dir,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: '0',
      RIMSTONE_DB: join(dir, 'shop.sqlite'),
    },
  });
  child.stderr.pipe(process.stderr);
  const url = await new Promise((found, never) => {
    child.stdout.on('data', (line) => {
      const at = /ready: (http\S+)/.exec(line.toString());
      if (at) found(at[1]);
    });
    child.once('exit', (code) => never(new Error(`it ended with ${code}`)));
  });
  for (const path of ['/api/health', '/api/shop', '/']) {
    const { status } = await fetch(url + path);
    console.log(`${path} answers ${status}`);
    if (status !== 200) process.exitCode = 1;
  }
  child.kill();
} finally {
  rmSync(dir, { recursive: true, force: true });
}
