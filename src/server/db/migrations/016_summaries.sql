-- What lists, searches and usual values need of all jobs is kept as they change, not counted at each request.

-- Troubles that stand in the logs, and how often each was cured by what.
CREATE TABLE troubles (
  entry_id TEXT PRIMARY KEY,
  job_id   TEXT NOT NULL REFERENCES jobs (id),
  at       TEXT NOT NULL,
  symptom  TEXT NOT NULL,
  cured_by TEXT
) STRICT;
CREATE INDEX troubles_by_job ON troubles (job_id);
CREATE INDEX troubles_by_time ON troubles (at);

CREATE TABLE cures (
  symptom  TEXT NOT NULL,
  cured_by TEXT NOT NULL,
  count    INTEGER NOT NULL CHECK (count >= 0),
  PRIMARY KEY (symptom, cured_by)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER a_trouble_was_cured AFTER INSERT ON troubles WHEN new.cured_by IS NOT NULL
BEGIN
  INSERT INTO cures (symptom, cured_by, count) VALUES (new.symptom, new.cured_by, 1)
    ON CONFLICT (symptom, cured_by) DO UPDATE SET count = count + 1;
END;
CREATE TRIGGER a_cure_stands_no_more AFTER DELETE ON troubles WHEN old.cured_by IS NOT NULL
BEGIN
  UPDATE cures SET count = count - 1 WHERE symptom = old.symptom AND cured_by = old.cured_by;
  DELETE FROM cures WHERE symptom = old.symptom AND cured_by = old.cured_by AND count = 0;
END;

INSERT INTO troubles (entry_id, job_id, at, symptom, cured_by)
  SELECT id, job_id, at, data ->> 'symptom', data ->> 'curedBy' FROM entries
  WHERE kind = 'trouble' AND id NOT IN (SELECT data ->> 'entryId' FROM entries WHERE kind = 'undo');

-- The number of the job once it is handed over: the latest of a station and build are found without counting all.
ALTER TABLE station_times ADD COLUMN number INTEGER;
UPDATE station_times SET number = (SELECT number FROM jobs WHERE jobs.id = station_times.job_id AND jobs.handed_over = 1);
CREATE INDEX station_times_latest ON station_times (station, build, number DESC) WHERE number IS NOT NULL;

-- The words of a job's summary, by any three letters in a row.
CREATE VIRTUAL TABLE job_words USING fts5 (search, content = '', contentless_delete = 1, tokenize = 'trigram');
INSERT INTO job_words (rowid, search) SELECT number, search FROM jobs;
CREATE TRIGGER a_job_has_words AFTER INSERT ON jobs
BEGIN
  INSERT INTO job_words (rowid, search) VALUES (new.number, new.search);
END;
CREATE TRIGGER a_job_has_other_words AFTER UPDATE OF search ON jobs WHEN new.search <> old.search
BEGIN
  DELETE FROM job_words WHERE rowid = old.number;
  INSERT INTO job_words (rowid, search) VALUES (new.number, new.search);
END;
