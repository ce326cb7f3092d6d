import { statSync } from 'node:fs';

/**
 * Says whether the file at a path is still the one that was there. A database that was deleted or
 * replaced while it was open goes on being written, but where no one will ever read it.
 */
export const sameFile = (file: string): (() => boolean) => {
  const was = statSync(file, { bigint: true });
  return () => {
    const now = statSync(file, { bigint: true, throwIfNoEntry: false });
    return now !== undefined && now.ino === was.ino && now.dev === was.dev;
  };
};
