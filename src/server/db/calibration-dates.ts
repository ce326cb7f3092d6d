import type { Db } from './open-db';

/**
 * When the instrument of a name was last calibrated, YYYY-MM-DD; null where the records do not say.
 */
export const calibrationDates = (db: Db): ((name: string) => string | null) => {
  const found = db.prepare<[string, string], { calibratedOn: string | null }>(
    `SELECT max(calibrated_on) AS calibratedOn FROM (
       SELECT calibrated_on FROM instruments WHERE name = ? AND archived = 0
       UNION ALL SELECT calibrated_on FROM wrenches WHERE name = ? AND archived = 0
     )`,
  );
  return (name) => found.get(name, name)?.calibratedOn ?? null;
};
