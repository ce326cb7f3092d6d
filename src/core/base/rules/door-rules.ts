import type { Rule } from './rule';

const GROUP = 'People';

/** The length of a session. */
export const DOOR_RULES: readonly Rule[] = [
  {
    key: 'doors.lockMinutes',
    says: 'Auto-lock after, minutes',
    group: GROUP,
    value: 20,
    unit: null,
    basis: 'memory',
    note: 'A default from memory: longer than a bead takes, shorter than a lunch. Only where people sign in.',
    min: 1,
    max: 480,
    whole: true,
  },
  {
    key: 'doors.sessionDays',
    says: 'Sign-in lasts at most',
    group: GROUP,
    value: 14,
    unit: 'days',
    basis: 'memory',
    note: 'A default from memory; OWASP ASVS 4.0.3, 3.3.2, asks for 30 days or less.',
    min: 1,
    max: 30,
    whole: true,
  },
];
