import { parseISO } from 'date-fns';
import type { RecheckRow } from './recheck-row';
import { POSITION_WORDS } from '../../fit/wheels';

const dayText = (day: string): string =>
  parseISO(day).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });

/**
 * A few words for a rider of what is due on his machines, to be copied into a message. All rows are
 * of one rider.
 */
export const riderText = (rows: readonly RecheckRow[], shopName: string): string => {
  const machines = [...new Set(rows.map((r) => r.machineName))];
  const parts = machines.map((machine) => {
    const dues = rows
      .filter((r) => r.machineName === machine)
      .map((r) => {
        const wheel = r.position === null ? '' : `${POSITION_WORDS[r.position].toLowerCase()}: `;
        return `${wheel}${r.what.charAt(0).toLowerCase()}${r.what.slice(1)}, ${dayText(r.dueOn)}`;
      });
    return `${machine}: ${dues.join('; ')}.`;
  });
  return `${rows[0]?.rider ?? ''}, to be looked at again. ${parts.join(' ')} ${shopName}`.trim();
};
