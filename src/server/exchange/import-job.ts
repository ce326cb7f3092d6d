import { InputError } from '../../core/base/errors';
import type { FileOf, Line, LineOutcome } from '../../core/reports/exchange';
import type { EntryBody } from '../../core/job';
import type { JobStore } from '../db/job-store';
import type { Db } from '../db/open-db';
import type { RecordStore } from '../db/record-store';
import { checkOrder, sameLog } from './import-log';

const NOTHING = '{}';

/** Takes a job with its log in, unless it is here; says what its number is here. */
export const jobIn = (db: Db, jobs: JobStore, records: RecordStore) => {
  const here = db.prepare<[string], { number: number }>('SELECT number FROM jobs WHERE id = ?');
  const isTaken = db.prepare<[number], 1>('SELECT 1 FROM jobs WHERE number = ?').pluck();
  const next = db.prepare<[], number>('SELECT coalesce(max(number), 1000) + 1 FROM jobs').pluck();
  const isVisit = db.prepare<[string], 1>('SELECT 1 FROM visits WHERE id = ?').pluck();
  const lastPlace = db
    .prepare<[], number>('SELECT coalesce(max(place), 0) FROM fitted')
    .pluck()
    .get()!;
  const insert = db.prepare(
    `INSERT INTO jobs (id, number, machine_id, wheel_id, machine_name, wheel_position, rider, opened_at, last_at,
       last_seq, search, visit_id)
     VALUES (@id, @number, @machineId, @wheelId, @machineName, @wheelPosition, @rider, @at, @at, 0, '', @visitId)`,
  );
  const write = db.prepare(
    `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data, replaces, arrived_at)
     VALUES (@jobId, @seq, @id, @at, @who, @station, @kind, @data, @replaces, @arrivedAt)`,
  );
  const take = db.prepare('INSERT INTO taken (job_id, kind, stock_id, count) VALUES (?, ?, ?, ?)');
  const fit = db.prepare('INSERT INTO fitted (job_id, before, after, place) VALUES (?, ?, ?, ?)');

  /** Its machine and wheel as the log opened it. Throws `InputError` where the shop has no such. */
  const openingOf = ({ entries }: Line<'job'>) => {
    const { machine, wheel, rider } = (entries[0] as EntryBody<'opened'>).data;
    const known = records.find('wheels', wheel.id);
    if (!records.find('machines', machine.id))
      throw new InputError(
        'entries[0].data.machine',
        'Machine not found.',
        'Use a machine of the file or of this shop',
      );
    if (known?.machineId !== machine.id)
      throw new InputError(
        'entries[0].data.wheel',
        'Wheel not found on it.',
        'Use a wheel of this machine',
      );
    return {
      machineId: machine.id,
      wheelId: wheel.id,
      machineName: machine.name,
      wheelPosition: wheel.position,
      rider,
    };
  };

  return (line: Line<'job'>, of: FileOf): { taken: LineOutcome; number: number } => {
    const { id, visitId, entries, taken, fitted } = line;
    const known = here.get(id);
    if (known) {
      const log = jobs.entriesOf(id).map(({ seq: _seq, ...e }) => e);
      return { taken: sameLog(`Job ${known.number}`, log, entries), number: line.number };
    }
    checkOrder(entries, ['opened', 'rules']);
    const opening = openingOf(line);
    if (visitId !== null && isVisit.get(visitId) === undefined)
      throw new InputError('visitId', 'Visit not found.', 'Use a visit of the file, or null');
    const held = entries.find((e) => jobs.holds(e.id));
    if (held)
      throw new InputError(
        'entries',
        `The entry ${held.id} is in another log.`,
        'Use IDs that no other log uses',
      );
    const number = isTaken.get(line.number) === undefined ? line.number : next.get()!;
    insert.run({ id, number, visitId, at: entries[0]!.at, ...opening });
    entries.forEach(({ data, replaces, arrivedAt, ...entry }, i) =>
      write.run({
        ...entry,
        jobId: id,
        seq: i + 1,
        data: JSON.stringify(data),
        replaces: replaces ?? null,
        arrivedAt: arrivedAt ?? null,
      }),
    );
    for (const { kind, stockId, count } of taken) take.run(id, kind, stockId, count);
    const state = jobs.settleImported(id);
    const { before = {}, after = null, place = 1 } = fitted ?? {};
    if (fitted)
      fit.run(id, JSON.stringify(before), after && JSON.stringify(after), lastPlace + place);
    // What it put on the wheel in another shop is nothing to be done here, or to be taken back.
    else if (of !== 'shop' && state.handedOver) fit.run(id, NOTHING, NOTHING, lastPlace + 1);
    return { taken: 'new', number };
  };
};
