import { spawn } from 'node:child_process';

/** The built server on a database file and a free port. */
export const startedServer = async (file: string) => {
  const child = spawn('node', ['dist/server/main.cjs'], {
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', RIMSTONE_DB: file },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve) =>
    child.stdout.on('data', (d: Buffer) => {
      const m = /ready: (http\S+)/.exec(d.toString());
      if (m) resolve(m[1]!);
    }),
  );
  return { url, stop: () => child.kill('SIGKILL') };
};
