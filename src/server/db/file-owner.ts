import Database from 'better-sqlite3';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { DatabaseUnusable } from './open-db';

/** Which server has a shop's file. */
interface Owner {
  pid: number;
  computer: string;
  /** ISO 8601. */
  since: string;
  /** Where it listens; null before it does. */
  url: string | null;
}

const ownerFile = (file: string): string => `${file}-owner.json`;

const readOwner = (file: string): Owner | null => {
  try {
    return JSON.parse(readFileSync(ownerFile(file), 'utf8')) as Owner;
  } catch {
    return null;
  }
};

const wordsOf = ({ pid, computer, since, url }: Owner): string =>
  `process ${pid} on ${computer}, since ${since}${url === null ? '' : `, at ${url}`}`;

/** A shop's file that this process alone serves. */
export interface FileOwner {
  /** Notes where the shop can be reached, for one who tries to start another server. */
  listensAt(url: string): void;
  release(): void;
}

/**
 * Takes a shop's file for this process: a lock in a file beside it, which the system ends with the process, however it
 * ends. Throws `DatabaseUnusable`, naming the process that has it, for a second server on the same file.
 */
export const ownFile = (file: string): FileOwner => {
  const lock = new Database(`${file}-owner`);
  try {
    lock.pragma('busy_timeout = 0');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error;
    const owner = readOwner(file);
    throw new DatabaseUnusable(
      `The shop ${file} is open in another server already${owner ? ` (${wordsOf(owner)})` : ''}. ` +
        'Use that one, or stop it first. Nothing was changed.',
    );
  }
  const note = (url: string | null): void => {
    const owner: Owner = {
      pid: process.pid,
      computer: hostname(),
      since: new Date().toISOString(),
      url,
    };
    writeFileSync(ownerFile(file), JSON.stringify(owner));
  };
  note(null);
  return {
    listensAt: note,
    release(): void {
      if (!lock.open) return;
      rmSync(ownerFile(file), { force: true });
      lock.close();
    },
  };
};
