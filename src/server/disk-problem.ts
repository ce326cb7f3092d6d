import type { InputProblem } from '../core/base/errors';

interface DiskProblem extends InputProblem {
  status: number;
}

/** The prefixes of SQLite's and the system's codes, and what each means to the writer. */
const PROBLEMS: readonly {
  codes: readonly string[];
  status: number;
  message: string;
  expected: string;
}[] = [
  {
    codes: ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'],
    status: 507,
    message: 'The shop computer’s disk is full.',
    expected: 'Free some disk space, then try again',
  },
  {
    codes: ['SQLITE_READONLY', 'SQLITE_CANTOPEN', 'EROFS', 'EACCES', 'EPERM'],
    status: 503,
    message: 'The shop’s files are read-only.',
    expected: 'Give the server’s account write access to the shop’s files',
  },
  {
    codes: ['SQLITE_BUSY', 'SQLITE_LOCKED'],
    status: 503,
    message: 'Another program holds the shop’s database.',
    expected: 'Try again in a moment, or end that program',
  },
  {
    codes: ['SQLITE_CORRUPT', 'SQLITE_NOTADB'],
    status: 503,
    message: 'The shop’s database is damaged.',
    expected: 'Stop the server and restore a backup',
  },
  {
    codes: ['SQLITE_IOERR', 'EIO'],
    status: 503,
    message: 'The shop computer’s disk is failing.',
    expected: 'Check the disk, and back up to another one',
  },
];

/** The disk's fault in a request, in words; null for an error that is not of the disk. */
export const diskProblem = (error: unknown): DiskProblem | null => {
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== 'string') return null;
  const found = PROBLEMS.find(({ codes }) =>
    codes.some((c) => code === c || code.startsWith(`${c}_`)),
  );
  if (!found) return null;
  const { status, message, expected } = found;
  return { status, field: 'disk', message: `${message} Nothing was saved.`, expected };
};
