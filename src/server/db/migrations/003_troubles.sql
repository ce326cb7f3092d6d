-- What cured which trouble is counted over all jobs; few entries are of this kind.
CREATE INDEX entries_of_trouble ON entries (kind) WHERE kind = 'trouble';
CREATE INDEX entries_of_undo ON entries (kind) WHERE kind = 'undo';
