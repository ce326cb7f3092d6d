import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Person, Role, Session } from '../../core/doors';
import { InputError } from '../../core/errors';
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
  from: string;
}

/** Who is signed in by a token. */
export interface SignedIn {
  id: string;
  who: string;
  role: Role;
  isLocked: boolean;
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const iso = (ms: number): string => new Date(ms).toISOString();

/** Who may come in, and in which browsers they are signed in. */
export const doorStore = (db: Db) => {
  const changes = changeStore(db);
  const people = db.prepare<[], { name: string; role: Role; canSignIn: 0 | 1 }>(
    'SELECT name, role, secret IS NOT NULL AS canSignIn FROM people ORDER BY name',
  );
  const secretOf = db.prepare<[string], string | null>('SELECT secret FROM people WHERE name = ?').pluck();
  const put = db.prepare<[Role, string | null, string]>('UPDATE people SET role = ?, secret = ? WHERE name = ?');
  const owners = db
    .prepare<[], number>("SELECT count(*) FROM people WHERE role = 'owner' AND secret IS NOT NULL")
    .pluck();
  const SESSION = `SELECT s.id, s.who, p.role, s.begun_at AS begunAt, s.seen_at AS seenAt, s.ends_at AS endsAt,
      s.is_locked AS isLocked, s.came_from AS "from"
    FROM sessions s JOIN people p ON p.name = s.who`;
  const byToken = db.prepare<[string, string], SessionRow>(`${SESSION} WHERE s.token_hash = ? AND s.ends_at > ?`);
  const all = db.prepare<[string], SessionRow>(`${SESSION} WHERE s.ends_at > ? ORDER BY s.seen_at DESC, s.id`);
  const insert = db.prepare(
    `INSERT INTO sessions (id, token_hash, who, begun_at, seen_at, ends_at, came_from)
     VALUES (@id, @tokenHash, @who, @at, @at, @endsAt, @from)`,
  );
  const seen = db.prepare<[string, string]>('UPDATE sessions SET seen_at = ? WHERE id = ?');
  const lock = db.prepare<[string]>('UPDATE sessions SET is_locked = 1 WHERE id = ?');
  const remove = db.prepare<[string]>('DELETE FROM sessions WHERE id = ?');
  const removeOf = db
    .prepare<[string, string], string>('DELETE FROM sessions WHERE who = ? AND id <> ? RETURNING id')
    .pluck();
  const removeOld = db.prepare<[string]>('DELETE FROM sessions WHERE ends_at <= ?');
  const removeAll = db.prepare('DELETE FROM sessions');

  /** What hangs on a session and ends with it, such as a stream. */
  const hanging = new Map<string, Set<() => void>>();
  const ended = (id: string): void => {
    for (const end of hanging.get(id) ?? []) end();
    hanging.delete(id);
  };
  const endOf = (who: string, butId = ''): void => removeOf.all(who, butId).forEach(ended);

  const find = (name: string): Person => {
    const person = people.all().find((p) => p.name === name);
    if (!person) throw new NotFound('Nobody here has this name.');
    return { ...person, canSignIn: person.canSignIn === 1 };
  };

  return {
    /** Whether people sign in: as soon as there is an owner who can. */
    areClosed: (): boolean => owners.get()! > 0,
    people: (): Person[] => people.all().map((p) => ({ ...p, canSignIn: p.canSignIn === 1 })),
    find,
    /** What somebody's secret was made into; null for nobody and for who has none. */
    secretOf: (who: string): string | null => secretOf.get(who) ?? null,
    /**
     * Gives somebody a role and a way in, takes the way in (`secret` null), or leaves it (undefined); `butId` stays signed in, everywhere else
     * they are signed out. Throws `NotFound`; `InputError` where no owner would be left who can sign in.
     */
    setPerson: db.transaction((who: string, role: Role, secret?: string | null, butId?: string): Person => {
      const before = find(who);
      const wereClosed = owners.get()! > 0;
      put.run(role, secret === undefined ? secretOf.get(who)! : secret, who);
      if (owners.get() === 0)
        throw wereClosed
          ? new InputError('role', 'No owner would be left who can sign in.', 'another owner first')
          : new InputError('role', 'The first who can sign in opens the doors for all others.', 'an owner');
      endOf(who, butId);
      const words = (p: Person) => `${p.role}${p.canSignIn ? '' : ', no way in'}`;
      const now = find(who);
      changes.note('people', who, who, { role: [words(before), `${words(now)}${secret ? ', a new way in' : ''}`] });
      return now;
    }),
    /** Begins a session and says the token that its browser keeps. */
    begin: db.transaction((who: string, from: string, days: number, nowMs: number): { token: string; id: string } => {
      const token = randomBytes(TOKEN_BYTES).toString('base64url');
      const id = randomUUID();
      removeOld.run(iso(nowMs));
      insert.run({ id, tokenHash: hashOf(token), who, at: iso(nowMs), endsAt: iso(nowMs + days * DAY_MS), from });
      return { token, id };
    }),
    /** Who is signed in by a token now; null for one that ended or never was. */
    byToken(token: string, nowMs: number): SignedIn | null {
      const row = byToken.get(hashOf(token), iso(nowMs));
      if (!row) return null;
      if (nowMs - Date.parse(row.seenAt) > SEEN_EVERY_MS) seen.run(iso(nowMs), row.id);
      return { id: row.id, who: row.who, role: row.role, isLocked: row.isLocked === 1 };
    },
    sessions: (nowMs: number): Omit<Session, 'isThis'>[] =>
      all.all(iso(nowMs)).map(({ role: _role, ...row }) => ({ ...row, isLocked: row.isLocked === 1 })),
    lock(id: string): void {
      lock.run(id);
      ended(id);
    },
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
export type DoorStore = ReturnType<typeof doorStore>;
