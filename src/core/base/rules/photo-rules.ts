import type { Rule } from './rule';

/** How much room photographs may take. */
export const PHOTO_RULES: readonly Rule[] = [
  {
    key: 'photos.mostMb',
    says: 'Room for photographs, in MB',
    group: 'Backups',
    value: 5000,
    unit: null,
    basis: 'memory',
    note: 'A default from memory: some ten thousand pictures. Every backup holds all of them.',
    min: 10,
    max: 1_000_000,
    whole: true,
  },
];
