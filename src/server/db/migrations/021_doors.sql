-- Who may come in, and as what. Without an owner who can sign in the doors stand open, as they did before.
ALTER TABLE people ADD COLUMN role TEXT NOT NULL DEFAULT 'fitter' CHECK (role IN ('owner', 'fitter', 'learner'));
-- What a PIN or passphrase was made into; nobody can make it out of this again.
ALTER TABLE people ADD COLUMN secret TEXT;

-- The browsers in which somebody is signed in. Their tokens are kept by their hash alone.
CREATE TABLE sessions (
  id         TEXT PRIMARY KEY,
  token_hash TEXT NOT NULL UNIQUE,
  who        TEXT NOT NULL REFERENCES people (name) ON DELETE CASCADE,
  begun_at   TEXT NOT NULL,
  seen_at    TEXT NOT NULL,
  ends_at    TEXT NOT NULL,
  is_locked  INTEGER NOT NULL DEFAULT 0 CHECK (is_locked IN (0, 1)),
  came_from  TEXT NOT NULL
) STRICT;
CREATE INDEX sessions_by_person ON sessions (who);
