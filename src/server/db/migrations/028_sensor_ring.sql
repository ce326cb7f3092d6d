-- The side that the ring of a wheel-speed sensor is on.
ALTER TABLE wheels ADD COLUMN sensor_side TEXT CHECK (sensor_side IN ('left', 'right'));
