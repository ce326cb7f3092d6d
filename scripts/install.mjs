import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, statSync, writeFileSync, readdirSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project folder. */
export const PROJECT = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command in the project, shows what it says, and stops with its code when it fails. */
export const run = (command, args, env = {}) => {
  const { status, error } = spawnSync(command, args, {
    cwd: PROJECT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (error) console.error(`${command} could not be started: ${error.message}`);
  return status ?? 1;
};

const must = (command, args, env) => {
  const code = run(command, args, env);
  if (code !== 0) process.exit(code);
};

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(PROJECT, 'package-lock.json')))
    .digest('hex');

const INSTALLED = join(PROJECT, 'node_modules', '.installed-for');
const isInstalled = () => existsSync(INSTALLED) && readFileSync(INSTALLED, 'utf8') === lockHash();
const CI = ['ci', '--no-audit', '--no-fund', '--loglevel=error'];
/** The database driver is compiled where no built one can be had: on all cores. */
const COMPILE = { JOBS: 'max' };

/** Installs the exact packages of the lock file, once for each lock file. */
export const ensureInstalled = () => {
  if (isInstalled()) return;
  console.log('Installing packages (the database driver is compiled once: a few minutes) ...');
  must('npm', CI, COMPILE);
  writeFileSync(INSTALLED, lockHash());
};

/** A command that runs beside others; the answer is whether it held. */
export const runBeside = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: PROJECT,
      stdio: 'inherit',
      env: { ...process.env, ...env },
    });
    child.once('error', () => resolve(false));
    child.once('exit', (code) => resolve(code === 0));
  });

/**
 * The same, but what is compiled goes on beside other work that does not need it. The answer comes
 * once all is there, and says whether it held.
 */
export const installBeside = () => {
  if (isInstalled()) return Promise.resolve(true);
  console.log('Installing packages (the database driver is compiled beside the first checks) ...');
  must('npm', [...CI, '--ignore-scripts']);
  return runBeside('npm', ['rebuild', '--loglevel=error'], COMPILE).then((ok) => {
    if (ok) writeFileSync(INSTALLED, lockHash());
    return ok;
  });
};

/** What git sees as changed or new, a line each; null outside a checkout. */
export const treeState = () => {
  const { status, stdout } = spawnSync('git', ['status', '--porcelain'], {
    cwd: PROJECT,
    encoding: 'utf8',
  });
  return status === 0 ? stdout.trim() : null;
};

const newest = (path) => {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
};

/** Builds server and screens when a source is newer than the last whole build. */
export const ensureBuilt = () => {
  const stamp = join(PROJECT, 'dist', '.built');
  const sources = ['src', 'package-lock.json', 'vite.config.mts', 'vite.server.config.mts'].map(
    (p) => join(PROJECT, p),
  );
  if (existsSync(stamp) && statSync(stamp).mtimeMs > Math.max(...sources.map(newest))) return;
  console.log('Building ...');
  must('npm', ['run', 'build', '--silent', '--', '--logLevel', 'warn']);
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, new Date().toISOString());
};
