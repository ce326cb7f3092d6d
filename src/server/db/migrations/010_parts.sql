-- Parts that the jobs on the bench want, and what was ordered for them.
CREATE TABLE wanted (
  job_id TEXT NOT NULL REFERENCES jobs (id),
  n INTEGER NOT NULL,
  what TEXT NOT NULL,
  stock_id TEXT,
  count INTEGER NOT NULL CHECK (count > 0),
  since TEXT NOT NULL,
  PRIMARY KEY (job_id, n)
) STRICT, WITHOUT ROWID;
CREATE TABLE orders (
  id TEXT PRIMARY KEY,
  what TEXT NOT NULL,
  stock_id TEXT,
  count INTEGER NOT NULL CHECK (count BETWEEN 1 AND 1000),
  supplier TEXT NOT NULL,
  job_ids TEXT NOT NULL CHECK (json_valid(job_ids)),
  ordered_at TEXT NOT NULL,
  ordered_by TEXT NOT NULL,
  closed_at TEXT,
  closed_by TEXT,
  came INTEGER CHECK (came IN (0, 1)),
  CHECK ((closed_at IS NULL) = (came IS NULL))
) STRICT;
CREATE INDEX orders_open ON orders (ordered_at) WHERE closed_at IS NULL;
-- Jobs that are on the bench now, as they were decided.
INSERT INTO wanted (job_id, n, what, stock_id, count, since)
SELECT e.job_id, p.key, p.value ->> 'what', p.value ->> 'stockId', p.value ->> 'count', e.at
FROM entries e, json_each(e.data, '$.parts') p
WHERE e.kind = 'chosen'
  AND e.seq = (SELECT max(last.seq) FROM entries last WHERE last.job_id = e.job_id AND last.kind = 'chosen'
    AND last.id NOT IN (SELECT data ->> 'entryId' FROM entries WHERE kind = 'undo'))
  AND e.job_id IN (SELECT id FROM jobs WHERE handed_over = 0);
