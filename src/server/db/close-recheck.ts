import { isDeepStrictEqual } from 'node:util';
import { InputError } from '../../core/base/errors';
import { checkLook, type Look, type LookReadings, type RecheckRow } from '../../core/job/recheck';
import type { Records } from '../../core/shop/records';
import type { Wheel } from '../../core/fit/wheels';
import type { JobStore } from './job-store';
import type { Db } from './open-db';
import type { RecheckStore } from './recheck-store';
import type { RecordStore } from './record-store';

/** So many dated readings a record holds; the oldest go. */
const MAX_READINGS = 60;

/**
 * Someone has looked: the id of the entry is of the client's own making, so that he may send
 * again.
 */
export interface Looked {
  id: string;
  who: string;
  onDate: string;
  read: unknown;
}

type At = Looked & { at: string };

/** Sent again after a lost answer, the same reading of the same day stands once. */
const latest = <T>(list: readonly T[], next: T): T[] =>
  isDeepStrictEqual(list.at(-1), next) ? [...list] : [...list, next].slice(-MAX_READINGS);

/**
 * Closes a recheck with its readings: an entry in the job's log, a reading in the record, or both;
 * all or nothing.
 */
export const closeRecheck = (
  db: Db,
  jobs: JobStore,
  rechecks: RecheckStore,
  records: RecordStore,
) => {
  const keep = (wheelId: string, more: (wheel: Wheel) => Partial<Wheel>): void => {
    const wheel = records.find('wheels', wheelId)!;
    records.change('wheels', { ...wheel, ...more(wheel) });
  };
  const intoLog = (
    row: RecheckRow,
    { id, who, at }: At,
    told: LookReadings['pressure'] | LookReadings['bolts'],
  ) => {
    const { lastSeq } = jobs.find(row.jobId!);
    const {
      good,
      found,
      gaugeKpa = null,
      tempC = null,
    } = told as Partial<LookReadings['pressure']>;
    const data = { what: row.what, good, found, gaugeKpa, tempC };
    jobs.append(
      row.jobId!,
      lastSeq,
      [{ id, who, station: 'hand-over', kind: 'looked-again', data }],
      { at },
    );
  };
  const CLOSE: { [L in Look]: (row: RecheckRow, looked: At, read: LookReadings[L]) => void } = {
    pressure: (row, looked, read) => {
      intoLog(row, looked, read);
      const { gaugeKpa, tempC } = read;
      keep(row.wheelId!, (w) => ({
        pressures: latest(w.pressures, { onDate: looked.onDate, gaugeKpa, tempC }),
      }));
    },
    bolts: intoLog,
    age: intoLog,
    anything: intoLog,
    leak: (row, { onDate }, read) =>
      keep(row.wheelId!, (w) => ({ pressures: latest(w.pressures, { onDate, ...read }) })),
    tread: (row, { onDate }, read) =>
      keep(row.wheelId!, (w) => ({ treads: latest(w.treads, { onDate, ...read }) })),
    tape: (row, { onDate }, read) =>
      keep(row.wheelId!, (w) => ({ rollouts: latest(w.rollouts, { onDate, ...read }) })),
    calibration: ({ tool }, _looked, { onDate }) => {
      const record = records.find(tool!.kind, tool!.id)!;
      records.change(tool!.kind, { ...record, calibratedOn: onDate } as Records['wrenches'] &
        Records['instruments']);
    },
  };

  const close = db.transaction((id: string, looked: At): RecheckRow | null => {
    const row = rechecks.find(id);
    const isJobs = row.jobId !== null;
    // A client that lost the answer sends again.
    if (isJobs && jobs.holds(looked.id)) return row;
    if (row.closed || row.passedBy !== null)
      throw new InputError(
        'id',
        row.closed
          ? `${row.closed.by} already closed this recheck.`
          : `The wheel came back with job ${row.passedBy}.`,
        'Choose an open recheck',
      );
    let read: LookReadings[Look];
    try {
      read = checkLook(row.look, looked.read);
    } catch (error) {
      if (error instanceof InputError)
        throw new InputError(`read.${error.field}`, error.message, error.expected);
      throw error;
    }
    (CLOSE as Record<Look, (row: RecheckRow, looked: At, read: LookReadings[Look]) => void>)[
      row.look
    ](row, looked, read);
    // A record's reading may say that nothing is to be looked at anymore: then the row is gone.
    return rechecks.peek(id);
  });
  return (id: string, looked: Looked, at = new Date().toISOString()): RecheckRow | null =>
    close.immediate(id, { ...looked, at });
};
