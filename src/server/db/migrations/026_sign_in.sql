-- When a hand was last on the session's screen, as its page reports, and when its person last proved who they are.
ALTER TABLE sessions ADD COLUMN touched_at TEXT;
ALTER TABLE sessions ADD COLUMN confirmed_at TEXT;
UPDATE sessions SET touched_at = seen_at;

-- Browsers in which a person has signed in before: guesses from elsewhere do not keep that person out of them.
CREATE TABLE devices_known (
  token_hash TEXT NOT NULL,
  who        TEXT NOT NULL REFERENCES people (name) ON DELETE CASCADE,
  last_at    TEXT NOT NULL,
  PRIMARY KEY (token_hash, who)
) STRICT, WITHOUT ROWID;

-- Wrong tries to sign in, by the person that was tried and the device or address they came from.
CREATE TABLE sign_in_tries (
  id         INTEGER PRIMARY KEY,
  who        TEXT NOT NULL,
  source     TEXT NOT NULL,
  came_from  TEXT NOT NULL,
  is_known   INTEGER NOT NULL CHECK (is_known IN (0, 1)),
  wrong      INTEGER NOT NULL,
  last_at    TEXT NOT NULL,
  is_blocked INTEGER NOT NULL DEFAULT 0 CHECK (is_blocked IN (0, 1)),
  UNIQUE (who, source)
) STRICT;

-- Passkeys (WebAuthn): the public half, which signs no one in by itself.
CREATE TABLE passkeys (
  id         TEXT PRIMARY KEY,
  who        TEXT NOT NULL REFERENCES people (name) ON DELETE CASCADE,
  label      TEXT NOT NULL,
  public_key BLOB NOT NULL,
  counter    INTEGER NOT NULL,
  transports TEXT NOT NULL CHECK (json_valid(transports)),
  added_at   TEXT NOT NULL,
  used_at    TEXT
) STRICT;
CREATE INDEX passkeys_by_person ON passkeys (who);
