-- What a machine's manual asks after a tire change, to teach it the new wheel.
ALTER TABLE machines ADD COLUMN teach_kmh REAL;
ALTER TABLE machines ADD COLUMN teach_m REAL;
ALTER TABLE machines ADD COLUMN teach_lamp TEXT NOT NULL DEFAULT '';
