-- Wheel back: what a machine's manual asks after a tire change, to teach it the new wheel.
ALTER TABLE machines ADD COLUMN teach_kmh REAL;
ALTER TABLE machines ADD COLUMN teach_m REAL;
ALTER TABLE machines ADD COLUMN teach_lamp TEXT NOT NULL DEFAULT '';
-- A wheel that comes in over the counter, without its machine.
ALTER TABLE machines ADD COLUMN loose INTEGER NOT NULL DEFAULT 0 CHECK (loose IN (0, 1));
-- What its manual says of chain, sensor and disc.
ALTER TABLE machines ADD COLUMN slack_min_mm REAL;
ALTER TABLE machines ADD COLUMN slack_max_mm REAL;
ALTER TABLE machines ADD COLUMN chain_run_mm REAL;
ALTER TABLE machines ADD COLUMN adjuster_pitch_mm REAL;
ALTER TABLE machines ADD COLUMN adjuster_span_mm REAL;
ALTER TABLE machines ADD COLUMN sensor_min_mm REAL;
ALTER TABLE machines ADD COLUMN sensor_max_mm REAL;
ALTER TABLE machines ADD COLUMN disc_limit_mm REAL;
-- Of a job: the pressure that is in its tire out there, and until when it cools after its test ride.
ALTER TABLE jobs ADD COLUMN set_kpa REAL;
ALTER TABLE jobs ADD COLUMN cool_until TEXT;
-- And of a fastener what is new each time: nothing, as long as nobody says so.
UPDATE machines SET fasteners = (
  SELECT json_group_array(json_insert(f.value, '$.renews', 'nothing')) FROM json_each(machines.fasteners) f
);
