/** The contents of a shop, counted. */
export interface Holdings {
  shopName: string;
  machines: number;
  wheels: number;
  tires: number;
  visits: number;
  jobs: number;
  entries: number;
  photographs: number;
  /** When the last entry was written, ISO 8601; null where there is none. */
  lastAt: string | null;
}

/** The counts, in the words that they are shown with: a count that is missing does not compile. */
const COUNTED: Record<Exclude<keyof Holdings, 'shopName' | 'lastAt'>, string> = {
  machines: 'Machines',
  wheels: 'Wheels',
  tires: 'Tire types',
  visits: 'Visits',
  jobs: 'Jobs',
  entries: 'Log entries',
  photographs: 'Photos',
};

/**
 * One count of a backup against what is here; `less` is how many would no longer be there once it
 * is restored.
 */
interface HeldAgainst {
  says: string;
  inBackup: number;
  here: number;
  less: number;
}

/**
 * The contents of a backup beside those of the shop now, count by count. Photographs here are never
 * taken away.
 */
export const heldAgainst = (inBackup: Holdings, here: Holdings): HeldAgainst[] =>
  (Object.keys(COUNTED) as (keyof typeof COUNTED)[]).map((key) => ({
    says: COUNTED[key],
    inBackup: inBackup[key],
    here: here[key],
    less: key === 'photographs' ? 0 : Math.max(0, here[key] - inBackup[key]),
  }));
