import type { JobState, StationId } from '../../core/job';
import { stationsTook, troublesMet, weightsLeft } from '../../core/reports/stats';
import { daysAfter } from '../../core/base/units';
import type { Db } from './open-db';
import type { troubleStore } from './trouble-store';

/** The days that are looked at, both included. */
export interface KnowsQuery {
  from?: string | undefined;
  to?: string | undefined;
}

/** The statistics of the shop's own jobs and shelf over a period. */
export const shopStatsStore = (db: Db, troubles: ReturnType<typeof troubleStore>['between']) => {
  const times = db.prepare<[string, string], { station: StationId; tookS: number }>(
    `SELECT t.station, t.took_s AS tookS FROM jobs j JOIN station_times t ON t.job_id = j.id
     WHERE j.handed_over = 1 AND j.opened_at >= ? AND j.opened_at < ?`,
  );
  const weights = db.prepare<[string, string], { marking: string; massG: number }>(
    `SELECT f.marking, f.mass_g AS massG FROM jobs j JOIN fitted_weights f ON f.job_id = j.id
     WHERE j.opened_at >= ? AND j.opened_at < ?`,
  );
  const takeOffs = db.prepare<
    [],
    { marking: string; treadMm: number | null; dateCode: string | null; count: number }
  >(
    `SELECT marking, tread_mm AS treadMm, date_code AS dateCode, count FROM tires
     WHERE take_off = 1 AND archived = 0 AND count > 0 ORDER BY marking, tread_mm DESC LIMIT 500`,
  );
  const forget = db.prepare('DELETE FROM fitted_weights WHERE job_id = ?');
  const keep = db.prepare('INSERT INTO fitted_weights (job_id, marking, mass_g) VALUES (?, ?, ?)');
  return {
    /** A job was handed over, or is not anymore: what it left on the rim. */
    settle(jobId: string, { handedOver, chosen, cameOff, balance }: JobState): void {
      forget.run(jobId);
      const marking = chosen?.marking ?? cameOff?.marking;
      if (!handedOver || !marking || !balance.weights) return;
      keep.run(
        jobId,
        marking,
        balance.weights.pieces.reduce((n, p) => n + p.massG, 0),
      );
    },
    all({ from = '0000-01-01', to }: KnowsQuery) {
      const span = [from, to === undefined ? '9999' : daysAfter(to, 1)] as const;
      return {
        troubles: troublesMet(troubles(...span)),
        stations: stationsTook(times.all(...span)),
        weights: weightsLeft(weights.all(...span)),
        takeOffs: takeOffs.all(),
      };
    },
  };
};
export type ShopStatsStore = ReturnType<typeof shopStatsStore>;
