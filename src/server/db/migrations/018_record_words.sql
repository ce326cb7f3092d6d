-- What is known of each record, as words: found by any three letters in a row. "rim_in" of a tire: the rim it is for.
CREATE TABLE record_texts (
  n      INTEGER PRIMARY KEY,
  kind   TEXT NOT NULL,
  id     TEXT NOT NULL,
  text   TEXT NOT NULL,
  rim_in REAL,
  UNIQUE (kind, id)
) STRICT;
CREATE INDEX record_texts_by_rim ON record_texts (rim_in, id) WHERE rim_in IS NOT NULL;

CREATE VIRTUAL TABLE record_words USING fts5 (text, content = '', contentless_delete = 1, tokenize = 'trigram');
CREATE TRIGGER a_record_has_words AFTER INSERT ON record_texts
BEGIN
  INSERT INTO record_words (rowid, text) VALUES (new.n, new.text);
END;
CREATE TRIGGER a_record_has_other_words AFTER UPDATE OF text ON record_texts WHEN new.text <> old.text
BEGIN
  DELETE FROM record_words WHERE rowid = old.n;
  INSERT INTO record_words (rowid, text) VALUES (new.n, new.text);
END;
