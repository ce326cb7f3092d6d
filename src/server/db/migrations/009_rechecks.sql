-- What is to be looked at again, and when: worked out from the logs of jobs and from the records of wheels and tools.
CREATE TABLE rechecks (
  id TEXT PRIMARY KEY,
  look TEXT NOT NULL,
  what TEXT NOT NULL,
  due_on TEXT NOT NULL,
  job_id TEXT REFERENCES jobs (id),
  wheel_id TEXT REFERENCES wheels (id),
  tool_kind TEXT CHECK (tool_kind IN ('wrenches', 'instruments')),
  tool_id TEXT,
  closed_at TEXT,
  closed_by TEXT,
  good INTEGER CHECK (good IN (0, 1)),
  found TEXT,
  -- The job, by its number, with which the wheel came in again before anybody looked.
  passed_by INTEGER,
  search TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE INDEX rechecks_open ON rechecks (due_on, id) WHERE closed_at IS NULL AND passed_by IS NULL;
CREATE INDEX rechecks_closed ON rechecks (closed_at, id) WHERE closed_at IS NOT NULL;
CREATE INDEX rechecks_of_job ON rechecks (job_id);
CREATE INDEX rechecks_of_wheel ON rechecks (wheel_id);
CREATE INDEX rechecks_of_tool ON rechecks (tool_id) WHERE tool_id IS NOT NULL;
