-- Instruments under the names by which they speak, and when they were last calibrated.
CREATE TABLE instruments (
  id            TEXT PRIMARY KEY,
  name          TEXT NOT NULL,
  kind          TEXT NOT NULL,
  calibrated_on TEXT,
  step_kpa      REAL,
  checks        TEXT NOT NULL CHECK (json_valid(checks)),
  note          TEXT NOT NULL,
  archived      INTEGER NOT NULL CHECK (archived IN (0, 1)),
  version       INTEGER NOT NULL
) STRICT;
CREATE INDEX instruments_by_name ON instruments (name);

ALTER TABLE wrenches ADD COLUMN calibrated_on TEXT;
