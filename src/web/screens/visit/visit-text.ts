import { BLOCK_WORDS } from '../../../core/day';
import { formatMoney } from '../../../core/units';
import { POSITION_WORDS } from '../../../core/wheels';
import type { VisitEntry, VisitEntryData, VisitEntryKind } from '../../../core/visit';
import { momentText } from '../../parts/moment-text';

type Say = {
  [K in VisitEntryKind]: (
    data: VisitEntryData[K],
    at: { nowMs: number; wheel(jobId: string): string },
  ) => string;
};

const SAY: Say = {
  opened: ({ machineName, rider }) => `${machineName} came in, ${rider}`,
  'wheel-added': ({ position }) => `${POSITION_WORDS[position]} takes part`,
  'wheel-removed': ({ jobId, why }, { wheel }) => `${wheel(jobId)} takes no part: ${why}`,
  wanted: ({ text }) => `Wanted: ${text}`,
  promised: ({ dueAt }, { nowMs }) => `Promised for ${momentText(dueAt, nowMs)}`,
  agreed: ({ amountMinor, currency, by }) => `Agreed: ${formatMoney(amountMinor, currency)}, ${by}`,
  waits: ({ what, until }, { nowMs }) =>
    what === null
      ? 'Waits no longer'
      : `Waits for ${what}${until ? `, until ${momentText(until, nowMs)}` : ''}`,
  planned: ({ jobId, block, person, startAt }, { nowMs, wheel }) =>
    person === null || startAt === null
      ? `${wheel(jobId)}, ${BLOCK_WORDS[block]}: left to the plan`
      : `${wheel(jobId)}, ${BLOCK_WORDS[block]}: ${person} at ${momentText(startAt, nowMs)}`,
  note: ({ text }) => `Note: ${text}`,
  'handed-over': ({ to }) => `Handed over to ${to}`,
  undo: () => 'Undone',
};

/** An entry of a visit's log as a sentence. */
export const visitText = (entry: VisitEntry, log: readonly VisitEntry[], nowMs: number): string => {
  const wheel = (jobId: string): string => {
    const added = log.find((e) => e.kind === 'wheel-added' && e.data.jobId === jobId);
    return added?.kind === 'wheel-added' ? POSITION_WORDS[added.data.position] : 'A wheel';
  };
  if (entry.kind === 'undo') {
    const target = log.find((e) => e.id === entry.data.entryId);
    return target ? `Undone: ${visitText(target, log, nowMs)}` : 'Undone';
  }
  return (SAY[entry.kind] as (data: VisitEntry['data'], at: object) => string)(entry.data, {
    nowMs,
    wheel,
  });
};
