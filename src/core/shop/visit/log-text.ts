import { formatMoney } from '../../base/units';
import { POSITION_WORDS } from '../../fit/wheels';
import type { VisitWords } from './define-entry';
import { visitEntryText, type VisitEntry, type VisitEntryKind } from './entries';

/** An entry of a visit's log as a sentence; `moment` writes a time of day. */
export const visitLogText = (
  entry: VisitEntry,
  log: readonly VisitEntry[],
  moment: VisitWords['moment'],
): string => {
  if (entry.kind === 'undo') {
    const target = log.find((e) => e.id === entry.data.entryId);
    return target ? `Undone: ${visitLogText(target, log, moment)}` : 'Undone';
  }
  const wheel = (jobId: string): string => {
    const added = log.find((e) => e.kind === 'wheel-added' && e.data.jobId === jobId);
    return added?.kind === 'wheel-added' ? POSITION_WORDS[added.data.position] : 'A wheel';
  };
  return visitEntryText<VisitEntryKind>(entry, { moment, money: formatMoney, wheel });
};
