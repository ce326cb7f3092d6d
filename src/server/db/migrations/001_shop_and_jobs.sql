CREATE TABLE settings (
  key   TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;

CREATE TABLE people (
  name TEXT PRIMARY KEY
) STRICT;

CREATE TABLE machines (
  id                TEXT PRIMARY KEY,
  name              TEXT NOT NULL,
  kind              TEXT NOT NULL,
  rider             TEXT NOT NULL,
  drive             TEXT NOT NULL,
  placard_front_kpa REAL,
  placard_rear_kpa  REAL,
  fasteners         TEXT NOT NULL CHECK (json_valid(fasteners))
) STRICT;

CREATE TABLE wheels (
  id            TEXT PRIMARY KEY,
  machine_id    TEXT NOT NULL REFERENCES machines (id),
  position      TEXT NOT NULL,
  build         TEXT NOT NULL,
  rim_code      TEXT NOT NULL,
  tire_marking  TEXT NOT NULL,
  tube          INTEGER NOT NULL CHECK (tube IN (0, 1)),
  rim_lock_degs TEXT NOT NULL CHECK (json_valid(rim_lock_degs)),
  spokes        INTEGER NOT NULL,
  disc_side     TEXT NOT NULL,
  rim_limit_kpa REAL
) STRICT;
CREATE INDEX wheels_by_machine ON wheels (machine_id);

CREATE TABLE tires (
  id             TEXT PRIMARY KEY,
  marking        TEXT NOT NULL,
  pattern        TEXT NOT NULL,
  date_code      TEXT,
  seat_limit_kpa REAL,
  light_mark     INTEGER NOT NULL CHECK (light_mark IN (0, 1)),
  count          INTEGER NOT NULL CHECK (count >= 0)
) STRICT;

CREATE TABLE tubes (
  id    TEXT PRIMARY KEY,
  label TEXT NOT NULL,
  count INTEGER NOT NULL CHECK (count >= 0)
) STRICT;

CREATE TABLE weights (
  id     TEXT PRIMARY KEY,
  mass_g REAL NOT NULL CHECK (mass_g > 0),
  kind   TEXT NOT NULL CHECK (kind IN ('spoke', 'adhesive')),
  count  INTEGER NOT NULL CHECK (count >= 0)
) STRICT;

CREATE TABLE wrenches (
  id       TEXT PRIMARY KEY,
  name     TEXT NOT NULL,
  min_nm   REAL NOT NULL,
  max_nm   REAL NOT NULL CHECK (max_nm > min_nm),
  lever_mm REAL
) STRICT;

-- Only rules that the shop has changed; the shipped ones live in the program.
CREATE TABLE rules (
  key        TEXT PRIMARY KEY,
  value      TEXT NOT NULL CHECK (json_valid(value)),
  note       TEXT NOT NULL,
  changed_by TEXT NOT NULL,
  reason     TEXT NOT NULL,
  changed_at TEXT NOT NULL
) STRICT;

CREATE TABLE rule_changes (
  id         INTEGER PRIMARY KEY,
  key        TEXT NOT NULL,
  old_value  TEXT NOT NULL,
  new_value  TEXT NOT NULL,
  changed_by TEXT NOT NULL,
  reason     TEXT NOT NULL,
  changed_at TEXT NOT NULL
) STRICT;

-- A summary of each job's log, for the list and the search; the log is the truth.
CREATE TABLE jobs (
  id             TEXT PRIMARY KEY,
  number         INTEGER NOT NULL UNIQUE,
  machine_id     TEXT NOT NULL REFERENCES machines (id),
  wheel_id       TEXT NOT NULL REFERENCES wheels (id),
  machine_name   TEXT NOT NULL,
  wheel_position TEXT NOT NULL,
  rider          TEXT NOT NULL,
  size_off       TEXT,
  size_on        TEXT,
  handed_over    INTEGER NOT NULL DEFAULT 0 CHECK (handed_over IN (0, 1)),
  opened_at      TEXT NOT NULL,
  last_at        TEXT NOT NULL,
  last_seq       INTEGER NOT NULL,
  search         TEXT NOT NULL
) STRICT;
CREATE INDEX jobs_by_opening ON jobs (opened_at DESC);
CREATE INDEX jobs_by_wheel ON jobs (wheel_id, opened_at DESC);

CREATE TABLE entries (
  job_id   TEXT NOT NULL REFERENCES jobs (id),
  seq      INTEGER NOT NULL CHECK (seq > 0),
  id       TEXT NOT NULL UNIQUE,
  at       TEXT NOT NULL,
  who      TEXT NOT NULL,
  station  TEXT NOT NULL,
  kind     TEXT NOT NULL,
  data     TEXT NOT NULL CHECK (json_valid(data)),
  replaces TEXT,
  PRIMARY KEY (job_id, seq)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER entries_are_never_changed BEFORE UPDATE ON entries
BEGIN
  SELECT RAISE(ABORT, 'a log entry is never changed');
END;

CREATE TRIGGER entries_are_never_removed BEFORE DELETE ON entries
BEGIN
  SELECT RAISE(ABORT, 'a log entry is never removed');
END;
