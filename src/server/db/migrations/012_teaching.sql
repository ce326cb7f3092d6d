-- What a machine's manual asks after a tire change, to teach it the new wheel.
ALTER TABLE machines ADD COLUMN teach_kmh REAL;
ALTER TABLE machines ADD COLUMN teach_m REAL;
ALTER TABLE machines ADD COLUMN teach_lamp TEXT NOT NULL DEFAULT '';
-- And of a fastener what is new each time: nothing, as long as nobody says so.
UPDATE machines SET fasteners = (
  SELECT json_group_array(json_insert(f.value, '$.renews', 'nothing')) FROM json_each(machines.fasteners) f
);
