-- How long a piece of weight is along the rim: stuck side by side, none lies over another.
ALTER TABLE weights ADD COLUMN length_mm REAL;

-- Rounds of practice on a hidden wheel: how it was balanced, and how the advice would have balanced it.
CREATE TABLE practice_rounds (
  id                 TEXT PRIMARY KEY,
  who                TEXT NOT NULL,
  at                 TEXT NOT NULL,
  seed               INTEGER NOT NULL,
  friction           TEXT NOT NULL,
  shelf              TEXT NOT NULL,
  tries              TEXT NOT NULL CHECK (json_valid(tries)),
  placements         INTEGER NOT NULL CHECK (placements >= 0),
  left_g             REAL NOT NULL,
  within             INTEGER NOT NULL CHECK (within IN (0, 1)),
  advised_placements INTEGER NOT NULL CHECK (advised_placements >= 0),
  advised_left_g     REAL NOT NULL,
  took_s             INTEGER NOT NULL CHECK (took_s >= 0)
) STRICT;
CREATE INDEX practice_rounds_by_day ON practice_rounds (at);
