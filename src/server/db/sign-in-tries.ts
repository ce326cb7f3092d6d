import { createHash } from 'node:crypto';
import {
  FORGET_HOURS,
  FREE_TRIES,
  MAX_WAIT_MINUTES,
  waitMinutesAfter,
  type Guessing,
} from '../../core/shop/auth';
import type { Db } from './open-db';

const MINUTE_MS = 60_000;
/**
 * Devices of one person that have an allowance of their own; the one used least recently goes.
 * Basis: memory.
 */
const MAX_DEVICES = 5;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const iso = (ms: number): string => new Date(ms).toISOString();

/** The source of a try: the token of a browser, if it has one, and its address. */
export interface TrySource {
  deviceToken: string | null;
  address: string;
  /** The kind of device and its address, in words. */
  from: string;
}

interface TryRow {
  id: number;
  who: string;
  from: string;
  isKnown: 0 | 1;
  wrong: number;
  lastAt: string;
  isBlocked: 0 | 1;
}

/**
 * Wrong tries to sign in, kept in the database so that a restart forgives nothing.
 *
 * Each device in which a person has signed in before has an allowance for that person; all other
 * sources share one. Waits grow exponentially (`waitMinutesAfter`), so guesses from elsewhere never
 * keep a person out of their own screen.
 */
export const signInTries = (db: Db) => {
  const isKnown = db
    .prepare<[string, string], 1>('SELECT 1 FROM devices_known WHERE token_hash = ? AND who = ?')
    .pluck();
  const know = db.prepare(
    `INSERT INTO devices_known (token_hash, who, last_at) VALUES (@hash, @who, @at)
     ON CONFLICT (token_hash, who) DO UPDATE SET last_at = excluded.last_at`,
  );
  const forgetOldest = db.prepare(
    `DELETE FROM devices_known WHERE who = @who AND token_hash NOT IN (
       SELECT token_hash FROM devices_known WHERE who = @who ORDER BY last_at DESC LIMIT ${MAX_DEVICES})`,
  );
  const ofDevice = db.prepare<[string, string, string], { wrong: number; lastAt: string }>(
    'SELECT wrong, last_at AS lastAt FROM sign_in_tries WHERE who = ? AND source = ? AND last_at > ?',
  );
  const ofOthers = db.prepare<[string, string], { wrong: number | null; lastAt: string | null }>(
    `SELECT sum(wrong) AS wrong, max(last_at) AS lastAt FROM sign_in_tries
     WHERE who = ? AND is_known = 0 AND last_at > ?`,
  );
  const isBlocked = db
    .prepare<[string], 1>('SELECT 1 FROM sign_in_tries WHERE source = ? AND is_blocked = 1')
    .pluck();
  const add = db.prepare(
    `INSERT INTO sign_in_tries (who, source, came_from, is_known, wrong, last_at)
     VALUES (@who, @source, @from, @isKnown, 1, @at)
     ON CONFLICT (who, source) DO UPDATE SET came_from = excluded.came_from, is_known = excluded.is_known,
       wrong = CASE WHEN last_at > @since THEN wrong + 1 ELSE 1 END, last_at = excluded.last_at`,
  );
  const clearSource = db.prepare(
    'DELETE FROM sign_in_tries WHERE who = ? AND source = ? AND is_blocked = 0',
  );
  const clearOld = db.prepare('DELETE FROM sign_in_tries WHERE last_at <= ? AND is_blocked = 0');
  const list = db.prepare<[string], TryRow>(
    `SELECT id, who, came_from AS "from", is_known AS isKnown, wrong, last_at AS lastAt, is_blocked AS isBlocked
     FROM sign_in_tries WHERE is_blocked = 1 OR last_at > ? ORDER BY last_at DESC LIMIT 50`,
  );
  const block = db.prepare('UPDATE sign_in_tries SET is_blocked = ? WHERE id = ?');
  const remove = db.prepare('DELETE FROM sign_in_tries WHERE id = ?');

  const since = (nowMs: number): string => iso(nowMs - FORGET_HOURS * 60 * MINUTE_MS);
  const knownBy = (who: string, { deviceToken }: TrySource): boolean =>
    deviceToken !== null && isKnown.get(hashOf(deviceToken), who) !== undefined;
  const sourceOf = (who: string, from: TrySource): string =>
    knownBy(who, from) ? `device:${hashOf(from.deviceToken!)}` : `address:${from.address}`;

  return {
    knownBy,
    /** When the next try as this person may be made from there, ms since 1970; 0 for at once. */
    waitsUntilMs(who: string, from: TrySource, nowMs: number): number {
      const row = knownBy(who, from)
        ? ofDevice.get(who, sourceOf(who, from), since(nowMs))
        : ofOthers.get(who, since(nowMs));
      if (!row?.wrong || !row.lastAt) return 0;
      // A clock that was set back makes no wait longer than the longest.
      const endsMs = Date.parse(row.lastAt) + waitMinutesAfter(row.wrong) * MINUTE_MS;
      return endsMs > nowMs ? Math.min(endsMs, nowMs + MAX_WAIT_MINUTES * MINUTE_MS) : 0;
    },
    /** Whether an owner has blocked that device or address. */
    isBlocked: (who: string, from: TrySource): boolean =>
      isBlocked.get(sourceOf(who, from)) !== undefined,
    wrong(who: string, from: TrySource, nowMs: number): void {
      clearOld.run(since(nowMs));
      const source = sourceOf(who, from);
      const known = knownBy(who, from) ? 1 : 0;
      add.run({
        who,
        source,
        from: from.from,
        isKnown: known,
        at: iso(nowMs),
        since: since(nowMs),
      });
    },
    /**
     * The person signed in from there: that device is known from now on, and the count of where it
     * came from starts over.
     */
    right: db.transaction(
      (who: string, from: TrySource, deviceToken: string, nowMs: number): void => {
        // What others have tried stays counted, and in sight.
        clearSource.run(who, sourceOf(who, from));
        know.run({ hash: hashOf(deviceToken), who, at: iso(nowMs) });
        forgetOldest.run({ who });
      },
    ),
    /**
     * Guessing of the last day, and what is blocked: more wrong tries at one person, from one known
     * device or from all other sources together, than are made by mistake.
     */
    guessing(nowMs: number): Guessing[] {
      const rows = list.all(since(nowMs));
      const allowanceOf = (r: TryRow): string =>
        r.isKnown === 1 ? `device ${r.id}` : `others ${r.who}`;
      const totals = new Map<string, number>();
      for (const r of rows) totals.set(allowanceOf(r), (totals.get(allowanceOf(r)) ?? 0) + r.wrong);
      return rows
        .filter((r) => r.isBlocked === 1 || totals.get(allowanceOf(r))! >= FREE_TRIES)
        .map((r) => ({ ...r, isKnown: r.isKnown === 1, isBlocked: r.isBlocked === 1 }));
    },
    block: (id: number, blocked: boolean): boolean => block.run(blocked ? 1 : 0, id).changes > 0,
    clear: (id: number): boolean => remove.run(id).changes > 0,
  };
};
export type SignInTries = ReturnType<typeof signInTries>;
