import { median, STATIONS, type FoldedLog, type UsualTime } from '../../core/job';
import { BUILDS } from '../../core/fit/wheels';
import type { Db } from './open-db';

/** So many of the latest jobs say what is usual, and no fewer than so many. */
const LATEST = 30;
const LEAST = 3;

const KEYS = STATIONS.flatMap((station) => BUILDS.map((build) => ({ station, build })));

/** The times of jobs at each station, kept beside their logs, and the usual ones in this shop. */
export const stationTimes = (db: Db) => {
  const forget = db.prepare('DELETE FROM station_times WHERE job_id = ?');
  const keep = db.prepare(
    'INSERT INTO station_times (job_id, station, build, took_s, number) VALUES (?, ?, ?, ?, ?)',
  );
  const latest = db
    .prepare<[string, string, number], number>(
      `SELECT took_s FROM station_times WHERE station = ? AND build = ? AND number IS NOT NULL
       ORDER BY number DESC LIMIT ?`,
    )
    .pluck();
  const spent = db.prepare<[string], { tookS: number }>(
    'SELECT coalesce(sum(took_s), 0) AS tookS FROM station_times WHERE job_id = ?',
  );
  return {
    /** The time worked on a job, at all stations, in whole seconds. */
    spentS: (jobId: string): number => Math.round(spent.get(jobId)!.tookS),
    /** Keeps what a job's log says of its times; `number` once it is handed over, null before. */
    settle(jobId: string, { state, times }: FoldedLog, number: number | null): void {
      forget.run(jobId);
      if (!state.wheel) return;
      for (const [station, tookS] of Object.entries(times.stations))
        keep.run(jobId, station, state.wheel.build, tookS, number);
    },
    /** The times of the latest jobs, in seconds, by `station build`. */
    samples: (): Map<string, number[]> =>
      new Map(
        KEYS.map(({ station, build }) => [
          `${station} ${build}`,
          latest.all(station, build, LATEST),
        ]),
      ),
    usual: (): UsualTime[] =>
      KEYS.map(({ station, build }) => ({
        station,
        build,
        all: latest.all(station, build, LATEST),
      }))
        .filter(({ all }) => all.length >= LEAST)
        .map(({ station, build, all }) => ({
          station,
          build,
          medianS: median(all),
          jobs: all.length,
        })),
  };
};
