import type { Rule } from './rule';

const GROUP = 'Backups';
const confirm = 'A default from memory. What the shop can bear to lose decides.';

/** The number of backups to keep, and the age at which the last one is too old. */
export const BACKUP_RULES: readonly Rule[] = [
  {
    key: 'backup.keep',
    says: 'Daily backups to keep',
    group: GROUP,
    value: 14,
    unit: null,
    basis: 'memory',
    note: confirm,
    min: 2,
    max: 400,
    whole: true,
  },
  {
    key: 'backup.oldDays',
    says: 'Warn if the last backup is older than',
    group: GROUP,
    value: 3,
    unit: 'days',
    basis: 'memory',
    note: confirm,
    min: 1,
    max: 60,
  },
];
