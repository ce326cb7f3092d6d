import Database from 'better-sqlite3';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { hostname } from 'node:os';
import { dirname } from 'node:path';
import { DatabaseUnusable } from './open-db';

/** The server that has a shop's file. */
interface Owner {
  pid: number;
  computer: string;
  /** ISO 8601. */
  since: string;
  /** The address it listens at; null before it does. */
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
interface FileOwner {
  /** Notes where the shop can be reached, for one who tries to start another server. */
  listensAt(url: string): void;
  release(): void;
}

/**
 * Takes a shop's file for this process: a lock in a file beside it, which the system ends with the
 * process, however it ends. Throws `DatabaseUnusable`, naming the process that has it, for a second
 * server on the same file.
 */
export const ownFile = (file: string): FileOwner => {
  let lock: Database.Database | undefined;
  try {
    mkdirSync(dirname(file), { recursive: true });
    lock = new Database(`${file}-owner`);
    lock.pragma('busy_timeout = 0');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock?.close();
    const { code, message } = error as Error & { code?: string };
    if (code !== 'SQLITE_BUSY')
      throw new DatabaseUnusable(
        `The database ${file} cannot be used: ${message}. Set RIMSTONE_DB to a file that can be written.`,
      );
    const owner = readOwner(file);
    throw new DatabaseUnusable(
      `The shop ${file} is open in another server already${owner ? ` (${wordsOf(owner)})` : ''}. ` +
        'Use that one, or stop it first. Nothing was changed.',
    );
  }
  const held = lock;
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
      if (!held.open) return;
      rmSync(ownerFile(file), { force: true });
      held.close();
    },
  };
};
