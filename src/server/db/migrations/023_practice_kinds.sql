-- Rounds of every kind of practice: which hidden wheel, what was done with it, and how it ended beside the advice.
CREATE TABLE practice_runs (
  id           TEXT PRIMARY KEY,
  who          TEXT NOT NULL,
  at           TEXT NOT NULL,
  kind         TEXT NOT NULL,
  level        TEXT NOT NULL,
  seed         INTEGER NOT NULL,
  acts         TEXT NOT NULL CHECK (json_valid(acts)),
  good         INTEGER NOT NULL CHECK (good IN (0, 1)),
  cost         INTEGER NOT NULL CHECK (cost >= 0),
  advised_cost INTEGER NOT NULL CHECK (advised_cost >= 0),
  took_s       INTEGER NOT NULL CHECK (took_s >= 0)
) STRICT;
CREATE INDEX practice_runs_by_who ON practice_runs (who, at);
CREATE INDEX practice_runs_by_day ON practice_runs (at);

INSERT INTO practice_runs (id, who, at, kind, level, seed, acts, good, cost, advised_cost, took_s)
SELECT id, who, at, 'balance', friction || ' stand, ' || shelf || ' shelf', seed, tries, within, placements,
  advised_placements, took_s
FROM practice_rounds;
DROP TABLE practice_rounds;
