import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Request } from 'express';
import type { Db } from '../db/open-db';

const SETTING = 'calendar-key';
const BYTES = 24;

const digest = (text: string) => createHash('sha256').update(text).digest();

/**
 * The key in the address of the shop's calendar: a calendar program cannot sign in. It reads what
 * is to be looked at again, and nothing else; kept as it is, since it is shown again.
 */
export const calendarKey = (db: Db) => {
  const get = db.prepare<[string], string>('SELECT value FROM settings WHERE key = ?').pluck();
  const put = db.prepare(
    'INSERT INTO settings (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value',
  );
  const renew = (): string => {
    const key = randomBytes(BYTES).toString('base64url');
    put.run(SETTING, key);
    return key;
  };
  return {
    /** Made the first time it is asked for. */
    key: (): string => get.get(SETTING) ?? renew(),
    /** Another one: addresses that were given out read nothing anymore. */
    renew,
    /** Whether a request is for the calendar, and brings the key. */
    isBrought({ method, path, query }: Pick<Request, 'method' | 'path' | 'query'>): boolean {
      const kept = get.get(SETTING);
      const { key } = query;
      if (
        method !== 'GET' ||
        !/^\/rechecks\.ics\/?$/i.test(path) ||
        typeof key !== 'string' ||
        kept === undefined
      )
        return false;
      return timingSafeEqual(digest(key), digest(kept));
    },
  };
};
export type CalendarKey = ReturnType<typeof calendarKey>;
