-- What a hand-over put into the wheel's record, so that undoing an older one leaves alone what a newer one put there.
ALTER TABLE fitted ADD COLUMN after TEXT CHECK (after IS NULL OR json_valid(after));
ALTER TABLE fitted ADD COLUMN place INTEGER NOT NULL DEFAULT 0;
UPDATE fitted SET place = rowid;
