-- What bench work needs to know of a wheel: how the caliper comes off, how many strips, the shape of the bare rim.
ALTER TABLE wheels ADD COLUMN caliper TEXT NOT NULL DEFAULT 'axial';
ALTER TABLE wheels ADD COLUMN strips INTEGER CHECK (strips BETWEEN 1 AND 2);
ALTER TABLE wheels ADD COLUMN flange_mm REAL;
ALTER TABLE wheels ADD COLUMN well_mm REAL;
ALTER TABLE wheels ADD COLUMN well_to_flange_mm REAL;
ALTER TABLE wheels ADD COLUMN pressures TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(pressures));

-- How long each job took at each station, from its log, so that a shop knows what is usual.
CREATE TABLE station_times (
  job_id  TEXT NOT NULL REFERENCES jobs (id),
  station TEXT NOT NULL,
  build   TEXT NOT NULL,
  took_s  INTEGER NOT NULL CHECK (took_s >= 0),
  PRIMARY KEY (job_id, station)
) STRICT, WITHOUT ROWID;
