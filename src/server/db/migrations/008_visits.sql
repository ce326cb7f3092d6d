-- A visit is a machine that came in, with the wheels that take part; each wheel is a job of its own.
-- A summary of each visit's log, for the day's list; the log is the truth.
CREATE TABLE visits (
  id           TEXT PRIMARY KEY,
  machine_id   TEXT REFERENCES machines (id),
  machine_name TEXT NOT NULL,
  rider        TEXT NOT NULL,
  wanted       TEXT NOT NULL DEFAULT '',
  due_at       TEXT,
  waits        TEXT,
  handed_over  INTEGER NOT NULL DEFAULT 0 CHECK (handed_over IN (0, 1)),
  opened_at    TEXT NOT NULL,
  last_at      TEXT NOT NULL,
  last_seq     INTEGER NOT NULL,
  search       TEXT NOT NULL
) STRICT;
CREATE INDEX visits_by_state ON visits (handed_over, opened_at DESC, id);

CREATE TABLE visit_entries (
  visit_id TEXT NOT NULL REFERENCES visits (id),
  seq      INTEGER NOT NULL CHECK (seq > 0),
  id       TEXT NOT NULL UNIQUE,
  at       TEXT NOT NULL,
  who      TEXT NOT NULL,
  kind     TEXT NOT NULL,
  data     TEXT NOT NULL CHECK (json_valid(data)),
  PRIMARY KEY (visit_id, seq)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER visit_entries_are_never_changed BEFORE UPDATE ON visit_entries
BEGIN
  SELECT RAISE(ABORT, 'a log entry is never changed');
END;

CREATE TRIGGER visit_entries_are_never_removed BEFORE DELETE ON visit_entries
BEGIN
  SELECT RAISE(ABORT, 'a log entry is never removed');
END;

-- Which visit a job is part of; null for a wheel that was taken out again. `fills` is how far each station is, kept
-- beside the log.
ALTER TABLE jobs ADD COLUMN visit_id TEXT REFERENCES visits (id);
ALTER TABLE jobs ADD COLUMN fills TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(fills));
CREATE INDEX jobs_by_visit ON jobs (visit_id);

-- What was one job is a visit of one wheel.
INSERT INTO visits (id, machine_id, machine_name, rider, handed_over, opened_at, last_at, last_seq, search)
  SELECT id, machine_id, machine_name, rider, handed_over, opened_at, last_at, 2,
         lower(machine_name || ' ' || rider || ' ' || number)
  FROM jobs;
INSERT INTO visit_entries (visit_id, seq, id, at, who, kind, data)
  SELECT j.id, 1, j.id || '-visit', j.opened_at, e.who, 'opened',
         json_object('machineId', j.machine_id, 'machineName', j.machine_name, 'rider', j.rider)
  FROM jobs j JOIN entries e ON e.job_id = j.id AND e.seq = 1;
INSERT INTO visit_entries (visit_id, seq, id, at, who, kind, data)
  SELECT j.id, 2, j.id || '-wheel', j.opened_at, e.who, 'wheel-added',
         json_object('jobId', j.id, 'wheelId', j.wheel_id, 'position', j.wheel_position)
  FROM jobs j JOIN entries e ON e.job_id = j.id AND e.seq = 1;
UPDATE jobs SET visit_id = id;
