import { coolUntil, type FoldedLog } from '../../core/job';
import { POSITION_WORDS } from '../../core/fit/wheels/wheel';
import type { JobRows } from './job-rows';
import type { Db } from './open-db';
import type { stationTimes } from './station-times';
import type { visitLog } from './visit-log';

/** Keeps the row of a job, its station times and its visit up to date with its log. */
export const jobSummary = (
  db: Db,
  rows: JobRows,
  times: ReturnType<typeof stationTimes>,
  visits: ReturnType<typeof visitLog>,
) => {
  const update = db.prepare(
    `UPDATE jobs SET size_off = @sizeOff, size_on = @sizeOn, handed_over = @handedOver,
       withdrawn_by = @withdrawnBy, last_at = @lastAt,
       last_seq = @lastSeq, search = @search, fills = '[]', set_kpa = @setKpa, cool_until = @coolUntil WHERE id = @id`,
  );
  const visitOf = db.prepare<[string], { visitId: string | null }>(
    'SELECT visit_id AS visitId FROM jobs WHERE id = ?',
  );
  return (id: string, log: FoldedLog): void => {
    const { state } = log;
    const { number, openedAt, wheelPosition } = rows.find(id);
    const last = log.entries.at(-1);
    if (!last) return;
    times.settle(id, log, state.handedOver ? number : null);
    const sizeOff = state.cameOff?.marking ?? null;
    const sizeOn = state.chosen?.marking ?? null;
    const words = [
      number,
      state.machine?.name,
      state.machine?.kind,
      POSITION_WORDS[wheelPosition],
      wheelPosition,
      state.rider,
      sizeOff,
      sizeOn,
      openedAt.slice(0, 10),
    ];
    update.run({
      id,
      sizeOff,
      sizeOn,
      handedOver: state.handedOver ? 1 : 0,
      withdrawnBy: state.withdrawn?.who ?? null,
      lastAt: last.at,
      lastSeq: last.seq,
      setKpa: state.pressureSet?.rideKpa ?? null,
      coolUntil: state.steps['leave-cool'] ? null : coolUntil(state),
      search: words.filter(Boolean).join(' ').toLowerCase(),
    });
    const visitId = visitOf.get(id)?.visitId ?? null;
    if (visitId !== null) visits.settle(visitId, last.at);
  };
};
export type JobSummaries = ReturnType<typeof jobSummary>;
