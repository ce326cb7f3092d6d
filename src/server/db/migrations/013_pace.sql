-- How fast each fitter goes through a station: one step after the other where nobody said otherwise.
ALTER TABLE people ADD COLUMN pace TEXT NOT NULL DEFAULT 'step by step' CHECK (pace IN ('step by step', 'by station'));
