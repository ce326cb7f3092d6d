import type { Entry } from './entries';

/** The people an entry names as having acted, beside the one who writes it. */
export const namedPeople = (entry: Entry): string[] => {
  switch (entry.kind) {
    case 'handed-over':
      return entry.data.despite ? [entry.data.despite.by] : [];
    case 'test-ride':
    case 'declined':
      return [entry.data.by];
    default:
      return [];
  }
};
