-- What a drawing of the wheel needs and a fitter sees at a glance.
ALTER TABLE wheels ADD COLUMN tire_tread TEXT NOT NULL DEFAULT 'other';
ALTER TABLE wheels ADD COLUMN lacing TEXT;
ALTER TABLE wheels ADD COLUMN cast_shape TEXT;
ALTER TABLE wheels ADD COLUMN disc_mm REAL;
ALTER TABLE wheels ADD COLUMN driven_side TEXT CHECK (driven_side IN ('left', 'right'));
