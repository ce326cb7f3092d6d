-- When an entry reached the log, where it waited on the way; "at" is when it was written at the bench.
ALTER TABLE entries ADD COLUMN arrived_at TEXT;
