import { randomUUID } from 'node:crypto';
import { InputError } from '../../core/base/errors';
import { valuesOf } from '../../core/base/rules';
import type { JobSummary } from '../../core/job';
import type { JobEntries } from './job-entries';
import type { jobLogs } from './job-logs';
import type { JobRows } from './job-rows';
import type { JobSummaries } from './job-summary';
import type { Db } from './open-db';
import type { RuleStore } from './rule-store';
import type { ShopStore } from './shop-store';
import type { visitLog } from './visit-log';

/** The input that opens a job; without a visit it is one of its own. */
export interface OpenJob {
  id: string;
  machineId: string;
  wheelId: string;
  who: string;
  visitId?: string;
}

interface Parts {
  shop: ShopStore;
  rules: RuleStore;
  logs: ReturnType<typeof jobLogs>;
  rows: JobRows;
  entries: JobEntries;
  summarize: JobSummaries;
  visits: ReturnType<typeof visitLog>;
}

const FIRST_NUMBER = 1001;

/** Opens a job with the machine, the wheel and the shop's rules as they are now. */
export const jobOpen = (db: Db, { shop, rules, logs, rows, entries, summarize, visits }: Parts) => {
  const nextNumber = db.prepare<[], { number: number | null }>(
    'SELECT max(number) + 1 AS number FROM jobs',
  );
  const insert = db.prepare(
    `INSERT INTO jobs (id, number, machine_id, wheel_id, machine_name, wheel_position, rider, opened_at, last_at,
       last_seq, search, visit_id)
     VALUES (@id, @number, @machineId, @wheelId, @machineName, @wheelPosition, @rider, @at, @at, 0, '', @visitId)`,
  );
  return db.transaction((input: OpenJob, at: string): JobSummary => {
    const existing = rows.findOrNull(input.id);
    // A client that lost the answer sends again.
    if (existing?.machineId === input.machineId && existing.wheelId === input.wheelId)
      return existing;
    if (existing) throw new InputError('id', 'A job with that ID already exists.', 'Use a new ID');
    const machine = shop.machine(input.machineId);
    const wheel = shop.wheel(input.wheelId);
    if (!machine)
      throw new InputError('machineId', 'Machine not found.', 'Choose one of the shop’s machines');
    if (!wheel || wheel.machineId !== machine.id)
      throw new InputError(
        'wheelId',
        'Wheel not found on this machine.',
        'Choose a wheel of this machine',
      );
    const { id, who } = input;
    const { rider } = machine;
    // A wheel that comes in by itself is a visit of one.
    const visitId = input.visitId ?? id;
    if (!input.visitId)
      visits.open(
        {
          id: visitId,
          machineId: machine.id,
          machineName: machine.name,
          rider,
          entryId: randomUUID(),
          who,
        },
        at,
      );
    insert.run({
      ...input,
      visitId,
      at,
      number: nextNumber.get()?.number ?? FIRST_NUMBER,
      machineName: machine.name,
      wheelPosition: wheel.position,
      rider,
    });
    const values = valuesOf(rules.list());
    const common = { who, station: 'intake' as const };
    entries.write(
      id,
      [
        { ...common, id: randomUUID(), kind: 'opened', data: { machine, wheel, rider } },
        { ...common, id: randomUUID(), kind: 'rules', data: { values } },
      ],
      0,
      { at, arrivedAt: null },
    );
    if (!input.visitId) {
      const data = { jobId: id, wheelId: wheel.id, position: wheel.position };
      visits.write(visitId, [{ id: randomUUID(), who, kind: 'wheel-added', data }], at);
    }
    summarize(id, logs.of(id));
    return rows.find(id);
  });
};
