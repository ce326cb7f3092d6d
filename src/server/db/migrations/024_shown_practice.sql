-- Whether the shop may see how somebody gets on in practice: only by their own word.
ALTER TABLE people ADD COLUMN shows_practice INTEGER NOT NULL DEFAULT 0 CHECK (shows_practice IN (0, 1));
