-- Who changed what of the shop's records and people, from what to what. Rules have theirs in rule_changes, jobs their logs.
CREATE TABLE changes (
  id     INTEGER PRIMARY KEY,
  at     TEXT NOT NULL,
  who    TEXT,
  kind   TEXT NOT NULL,
  of     TEXT NOT NULL,
  name   TEXT NOT NULL,
  -- Each field with what it was and what it is: { "count": [4, 5] }; a new record has no fields here.
  fields TEXT NOT NULL CHECK (json_valid(fields))
) STRICT;
CREATE INDEX changes_by_time ON changes (at DESC, id DESC);

CREATE TRIGGER changes_are_never_changed BEFORE UPDATE ON changes
BEGIN
  SELECT RAISE(ABORT, 'what was changed is never changed');
END;
