import { InputError } from '../../core/base/errors';
import type { Line, LineOutcome } from '../../core/reports/exchange';
import type { VisitEntryBody } from '../../core/shop/visit';
import type { Db } from '../db/open-db';
import type { VisitLog } from '../db/visit-log';
import { checkOrder, sameLog } from './import-log';

/** Takes the log of a visit in, unless it is here. */
export const visitIn = (db: Db, log: VisitLog) => {
  const isHere = db.prepare<[string], 1>('SELECT 1 FROM visits WHERE id = ?').pluck();
  const machine = db.prepare<[string], 1>('SELECT 1 FROM machines WHERE id = ?').pluck();
  return ({ id, entries }: Line<'visit'>): LineOutcome => {
    if (isHere.get(id) !== undefined)
      return sameLog(
        `The visit ${id}`,
        log.entriesOf(id).map(({ seq: _seq, ...e }) => e),
        entries,
      );
    checkOrder(entries, ['opened']);
    const [first, ...rest] = entries;
    const { machineId, machineName, rider } = (first as VisitEntryBody<'opened'>).data;
    if (machineId !== null && machine.get(machineId) === undefined)
      throw new InputError(
        'entries[0].data.machineId',
        'Machine not found.',
        'Use a machine of the file or of this shop',
      );
    const { id: entryId, who, at } = first!;
    const held = entries.find((e) => log.heldAt(e.id) !== undefined);
    if (held)
      throw new InputError(
        'entries',
        `The entry ${held.id} is in another log.`,
        'Use IDs that no other log uses',
      );
    log.open({ id, machineId, machineName, rider, entryId, who }, at);
    for (const { at: wroteAt, ...body } of rest) log.write(id, [body as VisitEntryBody], wroteAt);
    return 'new';
  };
};
