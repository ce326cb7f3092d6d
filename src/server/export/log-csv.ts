import { effectiveEntries, entryText, foldJob, stepsOf, type Entry } from '../../core/job';
import { DEFAULT_UNITS } from '../../core/base/units';
import { csvOf } from './csv-cells';

/**
 * The whole log of a job as CSV (RFC 4180): every entry with its data as JSON, and whether it still
 * stands.
 */
export const logCsv = (log: readonly Entry[]): string => {
  const standing = new Set(effectiveEntries(log).map((e) => e.id));
  const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
  const units = { ...DEFAULT_UNITS, pressure: 'kPa' as const };
  return csvOf(
    log.map((e) => ({
      seq: e.seq,
      at: e.at,
      who: e.who,
      station: e.station,
      kind: e.kind,
      says: entryText(e, units, words),
      data: JSON.stringify(e.data),
      replaces: e.replaces ?? '',
      stands: e.kind === 'undo' ? '' : standing.has(e.id) ? 'yes' : 'no',
      id: e.id,
      arrived: e.arrivedAt ?? '',
    })),
    { header: true },
  );
};
