-- Clamped wheels in full, what two driven wheels make a pair of, and their rollout by tape.
ALTER TABLE wheels ADD COLUMN rings INTEGER CHECK (rings BETWEEN 1 AND 2);
ALTER TABLE wheels ADD COLUMN ring_bolts INTEGER CHECK (ring_bolts BETWEEN 4 AND 36);
ALTER TABLE wheels ADD COLUMN ring_bolt_size TEXT;
ALTER TABLE wheels ADD COLUMN ring_bolt_grade TEXT;
ALTER TABLE wheels ADD COLUMN ring_torque_nm REAL;
ALTER TABLE wheels ADD COLUMN step_mm REAL;
ALTER TABLE wheels ADD COLUMN inner_width_mm REAL;
ALTER TABLE wheels ADD COLUMN overall_width_mm REAL;
ALTER TABLE wheels ADD COLUMN backspace_mm REAL;
ALTER TABLE wheels ADD COLUMN holes INTEGER;
ALTER TABLE wheels ADD COLUMN circle_mm REAL;
ALTER TABLE wheels ADD COLUMN rim_bolts INTEGER;
ALTER TABLE wheels ADD COLUMN rim_bolt_torque_nm REAL;
ALTER TABLE wheels ADD COLUMN pair TEXT;
ALTER TABLE wheels ADD COLUMN rollouts TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(rollouts));
