-- What each handed-over job left on the rim, with which tire: kept as it is handed over, so that nobody reads all logs.
CREATE TABLE fitted_weights (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  marking TEXT NOT NULL,
  mass_g REAL NOT NULL CHECK (mass_g >= 0)
) STRICT, WITHOUT ROWID;
INSERT INTO fitted_weights (job_id, marking, mass_g)
SELECT j.id, coalesce(j.size_on, j.size_off), (
    SELECT coalesce(sum(p.value ->> 'massG'), 0) FROM json_each(e.data, '$.pieces') p)
FROM jobs j JOIN entries e ON e.job_id = j.id
WHERE j.handed_over = 1 AND coalesce(j.size_on, j.size_off) IS NOT NULL AND e.kind = 'weights'
  AND e.seq = (SELECT max(last.seq) FROM entries last WHERE last.job_id = j.id AND last.kind = 'weights'
    AND last.id NOT IN (SELECT data ->> 'entryId' FROM entries WHERE kind = 'undo'));
-- A machine that comes back: when it was handed over the last time.
CREATE INDEX visits_by_machine ON visits (machine_id, opened_at);
