import { median, timesOf, type Entry, type JobState, type StationId, type UsualTime } from '../../core/job';
import type { Db } from './open-db';

/** So many of the latest jobs say what is usual, and no fewer than so many. */
const LATEST = 30;
const LEAST = 3;

/** How long jobs took at each station, kept beside their logs, and what is usual in this shop. */
export const stationTimes = (db: Db) => {
  const forget = db.prepare('DELETE FROM station_times WHERE job_id = ?');
  const keep = db.prepare('INSERT INTO station_times (job_id, station, build, took_s) VALUES (?, ?, ?, ?)');
  const latest = db.prepare<[number], { station: StationId; build: string; tookS: number }>(
    `SELECT station, build, took_s AS tookS FROM (
       SELECT t.*, row_number() OVER (PARTITION BY t.station, t.build ORDER BY j.opened_at DESC) AS place
       FROM station_times t JOIN jobs j ON j.id = t.job_id WHERE j.handed_over = 1
     ) WHERE place <= ?`,
  );
  const spent = db.prepare<[string], { tookS: number }>(
    'SELECT coalesce(sum(took_s), 0) AS tookS FROM station_times WHERE job_id = ?',
  );
  return {
    /** How long a job was worked on, at all stations, in whole seconds. */
    spentS: (jobId: string): number => Math.round(spent.get(jobId)!.tookS),
    /** Works a job's times out anew from its log. */
    settle(jobId: string, log: readonly Entry[], state: JobState): void {
      forget.run(jobId);
      if (!state.wheel) return;
      for (const [station, tookS] of Object.entries(timesOf(log).stations))
        keep.run(jobId, station, state.wheel.build, tookS);
    },
    /** What the latest jobs took, in seconds, by `station build`. */
    samples(): Map<string, number[]> {
      const by = new Map<string, number[]>();
      for (const { station, build, tookS } of latest.all(LATEST)) {
        const key = `${station} ${build}`;
        by.set(key, [...(by.get(key) ?? []), tookS]);
      }
      return by;
    },
    usual(): UsualTime[] {
      const by = new Map<string, { station: StationId; build: string; all: number[] }>();
      for (const { station, build, tookS } of latest.all(LATEST)) {
        const key = `${station} ${build}`;
        const group = by.get(key) ?? { station, build, all: [] };
        group.all.push(tookS);
        by.set(key, group);
      }
      return [...by.values()]
        .filter((g) => g.all.length >= LEAST)
        .map(({ station, build, all }) => ({ station, build, medianS: median(all), jobs: all.length }));
    },
  };
};
