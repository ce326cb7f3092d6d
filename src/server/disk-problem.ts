import type { InputProblem } from '../core/base/errors';

interface DiskProblem extends InputProblem {
  status: number;
}

/** What the codes of SQLite and of the system begin with, and what each means to whoever wrote. */
const PROBLEMS: readonly {
  codes: readonly string[];
  status: number;
  message: string;
  expected: string;
}[] = [
  {
    codes: ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'],
    status: 507,
    message: 'The disk of the shop’s machine is full.',
    expected: 'room on its disk, then another try',
  },
  {
    codes: ['SQLITE_READONLY', 'SQLITE_CANTOPEN', 'EROFS', 'EACCES', 'EPERM'],
    status: 503,
    message: 'The shop’s files can be read, but not written.',
    expected: 'files that this account of the shop’s machine may write',
  },
  {
    codes: ['SQLITE_BUSY', 'SQLITE_LOCKED'],
    status: 503,
    message: 'Another program holds the shop’s database.',
    expected: 'another try in a moment, or that program ended',
  },
  {
    codes: ['SQLITE_CORRUPT', 'SQLITE_NOTADB'],
    status: 503,
    message: 'The shop’s database is damaged.',
    expected: 'the program stopped and a backup restored',
  },
  {
    codes: ['SQLITE_IOERR', 'EIO'],
    status: 503,
    message: 'The disk of the shop’s machine does not do what it is asked.',
    expected: 'the disk looked at, and a backup elsewhere',
  },
];

/** What the disk did to a request, in words; null for an error that is not of the disk. */
export const diskProblem = (error: unknown): DiskProblem | null => {
  const code = (error as { code?: unknown } | null)?.code;
  if (typeof code !== 'string') return null;
  const found = PROBLEMS.find(({ codes }) =>
    codes.some((c) => code === c || code.startsWith(`${c}_`)),
  );
  if (!found) return null;
  const { status, message, expected } = found;
  return { status, field: 'disk', message: `${message} Nothing was written.`, expected };
};
