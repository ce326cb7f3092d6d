import { InputError } from '../../core/errors';
import type { PracticeRound, PracticeScore, PracticeTried } from '../../core/practice';
import type { Db } from './open-db';

type Row = Omit<PracticeScore, 'within'> & { within: 0 | 1 };

const COLUMNS = `id, who, at, seed, friction, shelf, placements, left_g AS leftG, within,
  advised_placements AS advisedPlacements, advised_left_g AS advisedLeftG, took_s AS tookS`;

/** Rounds of practice, kept over time. */
export const practiceStore = (db: Db) => {
  const insert = db.prepare(
    `INSERT INTO practice_rounds (id, who, at, seed, friction, shelf, tries, placements, left_g, within, advised_placements, advised_left_g, took_s)
     VALUES (@id, @who, @at, @seed, @friction, @shelf, @tries, @placements, @leftG, @within, @advisedPlacements, @advisedLeftG, @tookS)
     ON CONFLICT (id) DO NOTHING`,
  );
  const latest = db.prepare<[number], Row>(`SELECT ${COLUMNS} FROM practice_rounds ORDER BY at DESC, id LIMIT ?`);
  const one = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM practice_rounds WHERE id = ?`);
  const toScore = (row: Row): PracticeScore => ({ ...row, within: row.within === 1 });
  return {
    /** Sent twice it is kept once. Throws `InputError` where the id stands for another round. */
    add(
      { tries, ...round }: PracticeTried,
      { placements, leftG, within, advised }: PracticeRound,
      at: string,
    ): PracticeScore {
      insert.run({
        ...round,
        at,
        tries: JSON.stringify(tries),
        placements,
        leftG,
        within: Number(within),
        advisedPlacements: advised.placements,
        advisedLeftG: advised.leftG,
      });
      const kept = toScore(one.get(round.id)!);
      if (kept.seed !== round.seed || kept.who !== round.who)
        throw new InputError('id', 'A round of that id exists already.', 'an id of your own making');
      return kept;
    },
    /** The newest first. */
    latest: (limit: number): PracticeScore[] => latest.all(limit).map(toScore),
  };
};
export type PracticeStore = ReturnType<typeof practiceStore>;
