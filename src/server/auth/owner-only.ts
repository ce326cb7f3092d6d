import { chmodSync, existsSync } from 'node:fs';

/** Makes new files readable by the account that runs the program alone. */
export const makeForOwnerOnly = (): void => void process.umask(0o077);

/** Another account's, or on a disk that can only be read. */
const NOT_OURS = ['EPERM', 'EACCES', 'EROFS'];

/**
 * A database and its journal that an earlier program made for everyone on the machine; left as
 * they are where they are someone else's.
 */
export const keepForOwnerOnly = (file: string): void => {
  for (const path of [file, `${file}-wal`, `${file}-shm`])
    try {
      if (existsSync(path)) chmodSync(path, 0o600);
    } catch (error) {
      if (!NOT_OURS.includes((error as NodeJS.ErrnoException).code ?? '')) throw error;
    }
};
