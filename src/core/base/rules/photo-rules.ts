import type { Rule } from './rule';

/** The room that photographs may take. */
export const PHOTO_RULES: readonly Rule[] = [
  {
    key: 'photos.mostMb',
    says: 'Space for photos, MB',
    group: 'Backups',
    value: 5000,
    unit: null,
    basis: 'memory',
    note: 'A default from memory: about ten thousand photos. Every backup holds all of them.',
    min: 10,
    max: 1_000_000,
    whole: true,
  },
];
