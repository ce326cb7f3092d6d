import type { VisitEntryBody } from '../core/shop/visit';
import type { VisitStore } from '../server/db/visit-store';

const HALF_HOUR_MS = 1_800_000;
const WHO = 'Juna Birk';

/** A half hour of the clock, so long from now. */
const inHours = (now: number, hours: number): string =>
  new Date(Math.ceil((now + hours * 3_600_000) / HALF_HOUR_MS) * HALF_HOUR_MS).toISOString();

/** The demo shop's promises for the machines that are in, and what one of them waits for. */
export const writePromises = (visits: VisitStore, now: number): void => {
  const write = (visitId: string, entries: Pick<VisitEntryBody, 'kind' | 'data'>[]) =>
    visits.append(
      visitId,
      visits.find(visitId).lastSeq,
      entries.map((entry, i) => ({ ...entry, id: `${visitId}-day-${i}`, who: WHO })),
      new Date(now).toISOString(),
    );
  write('demo-job-21', [
    { kind: 'wanted', data: { text: 'rear tire, and the rim lock looked at' } },
    { kind: 'promised', data: { dueAt: inHours(now, 3) } },
  ]);
  write('demo-job-22', [
    { kind: 'promised', data: { dueAt: inHours(now, 2.5) } },
    { kind: 'agreed', data: { amountMinor: 21_500, currency: 'USD', by: 'Petra Oakhollow' } },
  ]);
  write('demo-job-31', [{ kind: 'waits', data: { what: 'two ring bolts' } }]);
  write('demo-job-32', [{ kind: 'promised', data: { dueAt: inHours(now, 6) } }]);
};
