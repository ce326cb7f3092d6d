import { InputError } from '../../core/base/errors';
import type { Played, PracticeScore, PracticeTried } from '../../core/practice';
import type { Db } from './open-db';

type Row = Omit<PracticeScore, 'good'> & { good: 0 | 1 };

const COLUMNS =
  'id, who, at, kind, level, seed, good, cost, advised_cost AS advisedCost, took_s AS tookS';

/** Rounds of practice, kept over time. */
export const practiceStore = (db: Db) => {
  const insert = db.prepare(
    `INSERT INTO practice_runs (id, who, at, kind, level, seed, acts, good, cost, advised_cost, took_s)
     VALUES (@id, @who, @at, @kind, @level, @seed, @acts, @good, @cost, @advisedCost, @tookS)
     ON CONFLICT (id) DO NOTHING`,
  );
  const latest = db.prepare<[string, number], Row>(
    `SELECT ${COLUMNS} FROM practice_runs WHERE who = ? ORDER BY at DESC, id LIMIT ?`,
  );
  const one = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM practice_runs WHERE id = ?`);
  const shown = db
    .prepare('SELECT name FROM people WHERE shows_practice = 1 ORDER BY name')
    .pluck();
  const shows = db.prepare('SELECT shows_practice FROM people WHERE name = ?').pluck();
  const show = db.prepare('UPDATE people SET shows_practice = ? WHERE name = ?');
  const toScore = (row: Row): PracticeScore => ({ ...row, good: row.good === 1 });
  return {
    /** Sent twice it is kept once. Throws `InputError` where the id stands for another round. */
    add(
      { acts, ...round }: PracticeTried,
      { good, cost, advisedCost }: Played,
      at: string,
    ): PracticeScore {
      insert.run({
        ...round,
        at,
        acts: JSON.stringify(acts),
        good: Number(good),
        cost,
        advisedCost,
      });
      const kept = toScore(one.get(round.id)!);
      if (kept.seed !== round.seed || kept.who !== round.who || kept.kind !== round.kind)
        throw new InputError('id', 'A round with that ID already exists.', 'Use a new ID');
      return kept;
    },
    /** Someone's rounds, the newest first. */
    latest: (who: string, limit: number): PracticeScore[] => latest.all(who, limit).map(toScore),
    /** Everyone who lets the shop see how they get on. */
    shown: () => shown.all() as string[],
    shows: (who: string): boolean => shows.get(who) === 1,
    /** False where no one has this name. */
    show: (who: string, isShown: boolean): boolean => show.run(Number(isShown), who).changes > 0,
  };
};
export type PracticeStore = ReturnType<typeof practiceStore>;
