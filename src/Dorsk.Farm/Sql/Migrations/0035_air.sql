-- What drives an aerator, whether it waits in the shed, where it pushes the water, its gears, how slowly it starts.
ALTER TABLE aerator ADD COLUMN source TEXT NOT NULL DEFAULT '';
ALTER TABLE aerator ADD COLUMN standby INTEGER NOT NULL DEFAULT 0;
ALTER TABLE aerator ADD COLUMN heading_deg REAL;
ALTER TABLE aerator ADD COLUMN motor_rpm REAL;
ALTER TABLE aerator ADD COLUMN gear_ratio REAL;
ALTER TABLE aerator ADD COLUMN ramp_min REAL;
-- From which mean weight aerators run round the clock.
ALTER TABLE air_control ADD COLUMN all_day_from_g REAL;
-- How hot a motor is.
ALTER TABLE aerator_reported ADD COLUMN temp_c REAL;
-- A kill of fish written up: from when to when, what was lost, why, and what is done otherwise since.
CREATE TABLE kill_written (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), began INTEGER NOT NULL,
  lost INTEGER NOT NULL, cause TEXT NOT NULL, course TEXT NOT NULL, change TEXT NOT NULL
) STRICT;
CREATE TRIGGER kill_written_stays BEFORE UPDATE ON kill_written BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER kill_written_kept BEFORE DELETE ON kill_written BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE INDEX kill_written_pond ON kill_written(pond);
