-- Records can be changed and archived; `version` counts the changes.
ALTER TABLE machines ADD COLUMN min_load_index_front INTEGER;
ALTER TABLE machines ADD COLUMN min_load_index_rear INTEGER;
ALTER TABLE machines ADD COLUMN min_speed_symbol TEXT;
ALTER TABLE machines ADD COLUMN empty_front_kg REAL;
ALTER TABLE machines ADD COLUMN empty_rear_kg REAL;
ALTER TABLE machines ADD COLUMN sprocket_front INTEGER;
ALTER TABLE machines ADD COLUMN sprocket_rear INTEGER;
ALTER TABLE machines ADD COLUMN wheel_sensors INTEGER NOT NULL DEFAULT 0 CHECK (wheel_sensors IN (0, 1));
ALTER TABLE machines ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE machines ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE machines ADD COLUMN version INTEGER NOT NULL DEFAULT 1;
-- Every fastener names its socket, or that it is not known.
UPDATE machines SET fasteners = (SELECT json_group_array(json_set(value, '$.socket', NULL)) FROM json_each(machines.fasteners));

ALTER TABLE wheels ADD COLUMN tubeless_marked INTEGER NOT NULL DEFAULT 0 CHECK (tubeless_marked IN (0, 1));
ALTER TABLE wheels ADD COLUMN sealed INTEGER NOT NULL DEFAULT 0 CHECK (sealed IN (0, 1));
ALTER TABLE wheels ADD COLUMN valve_hole_mm REAL;
ALTER TABLE wheels ADD COLUMN lock_hole_mm REAL;
ALTER TABLE wheels ADD COLUMN heavy_spot_deg REAL;
ALTER TABLE wheels ADD COLUMN runouts TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(runouts));
ALTER TABLE wheels ADD COLUMN treads TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(treads));
ALTER TABLE wheels ADD COLUMN ring_gap_mm REAL;
ALTER TABLE wheels ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE wheels ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE wheels ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

ALTER TABLE tires ADD COLUMN tread TEXT NOT NULL DEFAULT 'other';
ALTER TABLE tires ADD COLUMN arrows TEXT NOT NULL DEFAULT 'one';
ALTER TABLE tires ADD COLUMN take_off INTEGER NOT NULL DEFAULT 0 CHECK (take_off IN (0, 1));
ALTER TABLE tires ADD COLUMN tread_mm REAL;
ALTER TABLE tires ADD COLUMN price_minor INTEGER;
ALTER TABLE tires ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE tires ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE tires ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

ALTER TABLE tubes ADD COLUMN valve TEXT NOT NULL DEFAULT 'TR-4';
ALTER TABLE tubes ADD COLUMN wall TEXT NOT NULL DEFAULT 'standard';
ALTER TABLE tubes ADD COLUMN flat_width_mm REAL;
ALTER TABLE tubes ADD COLUMN mass_g REAL;
ALTER TABLE tubes ADD COLUMN price_minor INTEGER;
ALTER TABLE tubes ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE tubes ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE tubes ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

ALTER TABLE weights ADD COLUMN price_minor INTEGER;
ALTER TABLE weights ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE weights ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE weights ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

ALTER TABLE wrenches ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE wrenches ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
ALTER TABLE wrenches ADD COLUMN version INTEGER NOT NULL DEFAULT 1;

CREATE TABLE strips (
  id          TEXT PRIMARY KEY,
  material    TEXT NOT NULL,
  width_mm    REAL NOT NULL,
  rim_from_in REAL NOT NULL,
  rim_to_in   REAL NOT NULL CHECK (rim_to_in >= rim_from_in),
  count       INTEGER NOT NULL CHECK (count >= 0),
  price_minor INTEGER,
  note        TEXT NOT NULL,
  archived    INTEGER NOT NULL CHECK (archived IN (0, 1)),
  version     INTEGER NOT NULL
) STRICT;

CREATE TABLE locks (
  id          TEXT PRIMARY KEY,
  width_in    REAL NOT NULL,
  hole_mm     REAL NOT NULL,
  mass_g      REAL NOT NULL,
  count       INTEGER NOT NULL CHECK (count >= 0),
  price_minor INTEGER,
  note        TEXT NOT NULL,
  archived    INTEGER NOT NULL CHECK (archived IN (0, 1)),
  version     INTEGER NOT NULL
) STRICT;

CREATE TABLE valves (
  id          TEXT PRIMARY KEY,
  stem        TEXT NOT NULL,
  hole_mm     REAL NOT NULL,
  length_mm   REAL NOT NULL,
  angled      INTEGER NOT NULL CHECK (angled IN (0, 1)),
  count       INTEGER NOT NULL CHECK (count >= 0),
  price_minor INTEGER,
  note        TEXT NOT NULL,
  archived    INTEGER NOT NULL CHECK (archived IN (0, 1)),
  version     INTEGER NOT NULL
) STRICT;

-- What a handed-over job took from the shelf, and what the wheel's record said before; undoing the hand-over gives it back.
CREATE TABLE taken (
  job_id   TEXT NOT NULL REFERENCES jobs (id),
  kind     TEXT NOT NULL,
  stock_id TEXT NOT NULL,
  count    INTEGER NOT NULL CHECK (count > 0),
  PRIMARY KEY (job_id, kind, stock_id)
) STRICT, WITHOUT ROWID;

CREATE TABLE fitted (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  before TEXT NOT NULL CHECK (json_valid(before))
) STRICT;
