import type { SignedIn } from '../auth/me';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Person, Role, Session } from '../../core/shop/auth';
import { InputError } from '../../core/base/errors';
import { NotFound } from '../errors';
import { changeStore } from './change-store';
import type { Db } from './open-db';

/** 256 bits: no guessing. Source: OWASP ASVS 4.0.3, 3.2.2, asks for 64. */
const TOKEN_BYTES = 32;
const DAY_MS = 86_400_000;
/** A session is noted as seen so often at most: reading a page is no write each time. */
const SEEN_EVERY_MS = 60_000;

interface SessionRow {
  id: string;
  who: string;
  role: Role;
  begunAt: string;
  seenAt: string;
  endsAt: string;
  isLocked: 0 | 1;
  touchedAt: string;
  confirmedAt: string | null;
  from: string;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const iso = (ms: number): string => new Date(ms).toISOString();

/**
 * The people who can sign in, and the browsers in which they are. A session locks once no hand was
 * on its screen for `lockMinutes`, whatever its page does.
 */
export const authStore = (db: Db, lockMinutes: () => number = () => Infinity) => {
  const changes = changeStore(db);
  const people = db.prepare<[], { name: string; role: Role; canSignIn: 0 | 1 }>(
    'SELECT name, role, secret IS NOT NULL AS canSignIn FROM people ORDER BY name',
  );
  const secretOf = db
    .prepare<[string], string | null>('SELECT secret FROM people WHERE name = ?')
    .pluck();
  const put = db.prepare<[Role, string | null, string]>(
    'UPDATE people SET role = ?, secret = ? WHERE name = ?',
  );
  const owners = db
    .prepare<[], number>("SELECT count(*) FROM people WHERE role = 'owner' AND secret IS NOT NULL")
    .pluck();
  const SESSION = `SELECT s.id, s.who, p.role, s.begun_at AS begunAt, s.seen_at AS seenAt, s.ends_at AS endsAt,
      s.is_locked AS isLocked, s.touched_at AS touchedAt, s.confirmed_at AS confirmedAt, s.came_from AS "from"
    FROM sessions s JOIN people p ON p.name = s.who`;
  const byToken = db.prepare<[string, string], SessionRow>(
    `${SESSION} WHERE s.token_hash = ? AND s.ends_at > ?`,
  );
  const all = db.prepare<[string], SessionRow>(
    `${SESSION} WHERE s.ends_at > ? ORDER BY s.seen_at DESC, s.id`,
  );
  const insert = db.prepare(
    `INSERT INTO sessions (id, token_hash, who, begun_at, seen_at, touched_at, confirmed_at, ends_at, came_from)
     VALUES (@id, @tokenHash, @who, @at, @at, @at, @confirmedAt, @endsAt, @from)`,
  );
  const seen = db.prepare<[string, string]>('UPDATE sessions SET seen_at = ? WHERE id = ?');
  const touch = db.prepare<[string, string]>(
    'UPDATE sessions SET touched_at = max(touched_at, ?) WHERE id = ?',
  );
  const confirm = db.prepare<[string, string]>('UPDATE sessions SET confirmed_at = ? WHERE id = ?');
  const idle = db
    .prepare<[string], string>(
      'UPDATE sessions SET is_locked = 1 WHERE is_locked = 0 AND touched_at < ? RETURNING id',
    )
    .pluck();
  const lock = db.prepare<[string]>('UPDATE sessions SET is_locked = 1 WHERE id = ?');
  const remove = db.prepare<[string]>('DELETE FROM sessions WHERE id = ?');
  const removeOf = db
    .prepare<[string, string], string>(
      'DELETE FROM sessions WHERE who = ? AND id <> ? RETURNING id',
    )
    .pluck();
  const removeOld = db.prepare<[string]>('DELETE FROM sessions WHERE ends_at <= ?');
  const dropDevices = db.prepare<[string]>('DELETE FROM devices_known WHERE who = ?');
  const dropPasskeys = db.prepare<[string]>('DELETE FROM passkeys WHERE who = ?');
  const removeAll = db.prepare('DELETE FROM sessions');

  /** The things that end with a session, such as a stream. */
  const hanging = new Map<string, Set<() => void>>();
  const ended = (id: string): void => {
    for (const end of hanging.get(id) ?? []) end();
    hanging.delete(id);
  };
  const endOf = (who: string, butId = ''): void => removeOf.all(who, butId).forEach(ended);

  /** Reading goes on while another program holds the database. */
  const noteSeen = (id: string, nowMs: number): void => {
    try {
      seen.run(iso(nowMs), id);
    } catch (error) {
      if ((error as { code?: string }).code !== 'SQLITE_BUSY') throw error;
    }
  };
  const lockOne = (id: string): void => {
    lock.run(id);
    ended(id);
  };
  /** Locks the sessions on whose screens no hand was for too long. */
  const lockIdle = (nowMs: number): void => {
    const minutes = lockMinutes();
    if (Number.isFinite(minutes)) idle.all(iso(nowMs - minutes * 60_000)).forEach(ended);
  };

  const find = (name: string): Person => {
    const person = people.all().find((p) => p.name === name);
    if (!person) throw new NotFound('No one here has this name.');
    return { ...person, canSignIn: person.canSignIn === 1 };
  };

  return {
    /** Whether people sign in: as soon as there is an owner who can. */
    areClosed: (): boolean => owners.get()! > 0,
    people: (): Person[] => people.all().map((p) => ({ ...p, canSignIn: p.canSignIn === 1 })),
    find,
    /** The hash of a person's secret; null for an unknown person or one without a secret. */
    secretOf: (who: string): string | null => secretOf.get(who) ?? null,
    /**
     * Gives someone a role and a way in, takes the way in (`secret` null), or leaves it
     * (undefined); `butId` stays signed in, everywhere else they are signed out. Throws `NotFound`;
     * `InputError` where no owner would be left who can sign in.
     */
    setPerson: db.transaction(
      (who: string, role: Role, secret?: string | null, butId?: string): Person => {
        const before = find(who);
        const wereClosed = owners.get()! > 0;
        put.run(role, secret === undefined ? secretOf.get(who)! : secret, who);
        if (owners.get() === 0)
          throw wereClosed
            ? new InputError(
                'role',
                'This would leave no owner who can sign in.',
                'Set up another owner first',
              )
            : new InputError(
                'role',
                'The first person who can sign in must be an owner.',
                'Ask an owner',
              );
        // A new secret ends what was trusted by the old one.
        if (secret !== undefined) for (const drop of [dropDevices, dropPasskeys]) drop.run(who);
        endOf(who, butId);
        const words = (p: Person) => `${p.role}${p.canSignIn ? '' : ', can’t sign in'}`;
        const now = find(who);
        changes.note('people', who, who, {
          role: [words(before), `${words(now)}${secret ? ', new PIN or passphrase' : ''}`],
        });
        return now;
      },
    ),
    /**
     * Begins a session and says the token that its browser keeps; `isConfirmed` if by a secret or a
     * passkey.
     */
    begin: db.transaction(
      (
        who: string,
        from: string,
        days: number,
        nowMs: number,
        isConfirmed: boolean,
      ): { token: string; id: string } => {
        const token = randomBytes(TOKEN_BYTES).toString('base64url');
        const id = randomUUID();
        removeOld.run(iso(nowMs));
        const [at, endsAt] = [iso(nowMs), iso(nowMs + days * DAY_MS)];
        insert.run({
          id,
          tokenHash: hashOf(token),
          who,
          at,
          endsAt,
          from,
          confirmedAt: isConfirmed ? at : null,
        });
        return { token, id };
      },
    ),
    lockIdle,
    /** A hand was on the session's screen, at most now; a locked one stays locked. */
    touch(id: string, handMs: number, nowMs: number): void {
      touch.run(iso(Math.min(handMs, nowMs)), id);
    },
    /** Its person proved again who they are. */
    confirm(id: string, nowMs: number): void {
      confirm.run(iso(nowMs), id);
    },
    /** The person signed in by a token now; null for one that ended or never was. */
    byToken(token: string, nowMs: number): SignedIn | null {
      const row = byToken.get(hashOf(token), iso(nowMs));
      if (!row) return null;
      const isIdle = nowMs - Date.parse(row.touchedAt) > lockMinutes() * 60_000;
      if (isIdle && row.isLocked === 0) lockOne(row.id);
      if (nowMs - Date.parse(row.seenAt) > SEEN_EVERY_MS) noteSeen(row.id, nowMs);
      const confirmedMs = row.confirmedAt === null ? null : Date.parse(row.confirmedAt);
      return {
        id: row.id,
        who: row.who,
        role: row.role,
        isLocked: isIdle || row.isLocked === 1,
        confirmedMs,
      };
    },
    sessions: (nowMs: number): Omit<Session, 'isThis'>[] =>
      all
        .all(iso(nowMs))
        .map(({ role: _r, touchedAt: _t, confirmedAt: _c, ...row }) => ({
          ...row,
          isLocked: row.isLocked === 1,
        })),
    lock: lockOne,
    end(id: string): void {
      remove.run(id);
      ended(id);
    },
    endAll(): void {
      removeAll.run();
      [...hanging.keys()].forEach(ended);
    },
    /** Does something when a session is ended or locked; the function it gives forgets it. */
    whenEnded(id: string, end: () => void): () => void {
      const its = hanging.get(id) ?? new Set();
      hanging.set(id, its.add(end));
      return () => {
        its.delete(end);
        if (its.size === 0) hanging.delete(id);
      };
    },
  };
};
export type AuthStore = ReturnType<typeof authStore>;
