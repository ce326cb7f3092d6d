-- One and two letters of the words by which jobs, records and visits are found, for words that are too short for an
-- index of three letters in a row. Each part stands as its hexadecimal bytes: a token of its own, whatever the letters.
CREATE TABLE numbers (n INTEGER PRIMARY KEY) STRICT;
INSERT INTO numbers
  WITH RECURSIVE up(n) AS (VALUES (1) UNION ALL SELECT n + 1 FROM up WHERE n < 5000)
  SELECT n FROM up;

CREATE VIRTUAL TABLE job_parts USING fts5 (parts, content = '', contentless_delete = 1, detail = none, tokenize = ascii);
INSERT INTO job_parts (rowid, parts)
  SELECT number, (
    SELECT group_concat(DISTINCT hex(substr(search, n, 1))) || ',' || group_concat(DISTINCT hex(substr(search, n, 2)))
    FROM numbers WHERE n <= length(search)
  ) FROM jobs;
CREATE TRIGGER a_job_has_parts AFTER INSERT ON jobs
BEGIN
  INSERT INTO job_parts (rowid, parts) VALUES (new.number, (
    SELECT group_concat(DISTINCT hex(substr(new.search, n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.search, n, 2)))
    FROM numbers WHERE n <= length(new.search)
  ));
END;
CREATE TRIGGER a_job_has_other_parts AFTER UPDATE OF search ON jobs WHEN new.search <> old.search
BEGIN
  DELETE FROM job_parts WHERE rowid = old.number;
  INSERT INTO job_parts (rowid, parts) VALUES (new.number, (
    SELECT group_concat(DISTINCT hex(substr(new.search, n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.search, n, 2)))
    FROM numbers WHERE n <= length(new.search)
  ));
END;

CREATE VIRTUAL TABLE record_parts USING fts5 (parts, content = '', contentless_delete = 1, detail = none, tokenize = ascii);
INSERT INTO record_parts (rowid, parts)
  SELECT r.n, (
    SELECT group_concat(DISTINCT hex(substr(text, i.n, 1))) || ',' || group_concat(DISTINCT hex(substr(text, i.n, 2)))
    FROM numbers AS i WHERE i.n <= length(text)
  ) FROM record_texts AS r;
CREATE TRIGGER a_record_has_parts AFTER INSERT ON record_texts
BEGIN
  INSERT INTO record_parts (rowid, parts) VALUES (new.n, (
    SELECT group_concat(DISTINCT hex(substr(new.text, n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.text, n, 2)))
    FROM numbers WHERE n <= length(new.text)
  ));
END;
CREATE TRIGGER a_record_has_other_parts AFTER UPDATE OF text ON record_texts WHEN new.text <> old.text
BEGIN
  DELETE FROM record_parts WHERE rowid = old.n;
  INSERT INTO record_parts (rowid, parts) VALUES (new.n, (
    SELECT group_concat(DISTINCT hex(substr(new.text, n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.text, n, 2)))
    FROM numbers WHERE n <= length(new.text)
  ));
END;

-- Visits have no number of their own that stays.
CREATE TABLE visit_texts (
  n  INTEGER PRIMARY KEY,
  id TEXT NOT NULL UNIQUE
) STRICT;
INSERT INTO visit_texts (id) SELECT id FROM visits ORDER BY opened_at, id;
CREATE VIRTUAL TABLE visit_words USING fts5 (search, content = '', contentless_delete = 1, tokenize = trigram);
CREATE VIRTUAL TABLE visit_parts USING fts5 (parts, content = '', contentless_delete = 1, detail = none, tokenize = ascii);
INSERT INTO visit_words (rowid, search) SELECT t.n, v.search FROM visits AS v JOIN visit_texts AS t ON t.id = v.id;
INSERT INTO visit_parts (rowid, parts)
  SELECT t.n, (
    SELECT group_concat(DISTINCT hex(substr(search, i.n, 1))) || ',' || group_concat(DISTINCT hex(substr(search, i.n, 2)))
    FROM numbers AS i WHERE i.n <= length(search)
  ) FROM visits AS v JOIN visit_texts AS t ON t.id = v.id;
CREATE TRIGGER a_visit_has_words AFTER INSERT ON visits
BEGIN
  INSERT INTO visit_texts (id) VALUES (new.id);
  INSERT INTO visit_words (rowid, search) SELECT n, new.search FROM visit_texts WHERE id = new.id;
  INSERT INTO visit_parts (rowid, parts) SELECT t.n, (
    SELECT group_concat(DISTINCT hex(substr(new.search, i.n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.search, i.n, 2)))
    FROM numbers AS i WHERE i.n <= length(new.search)
  ) FROM visit_texts AS t WHERE t.id = new.id;
END;
CREATE TRIGGER a_visit_has_other_words AFTER UPDATE OF search ON visits WHEN new.search <> old.search
BEGIN
  DELETE FROM visit_words WHERE rowid = (SELECT n FROM visit_texts WHERE id = old.id);
  DELETE FROM visit_parts WHERE rowid = (SELECT n FROM visit_texts WHERE id = old.id);
  INSERT INTO visit_words (rowid, search) SELECT n, new.search FROM visit_texts WHERE id = new.id;
  INSERT INTO visit_parts (rowid, parts) SELECT t.n, (
    SELECT group_concat(DISTINCT hex(substr(new.search, i.n, 1))) || ',' || group_concat(DISTINCT hex(substr(new.search, i.n, 2)))
    FROM numbers AS i WHERE i.n <= length(new.search)
  ) FROM visit_texts AS t WHERE t.id = new.id;
END;
