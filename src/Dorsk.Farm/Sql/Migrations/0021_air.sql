-- How aerators switch, were switched, ran and were looked after; weather stations; the price of energy.
CREATE TABLE air_control (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), automatic INTEGER NOT NULL, on_below REAL NOT NULL, off_above REAL NOT NULL, stagger_s INTEGER NOT NULL) STRICT;
CREATE TABLE aerator_switched (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), code TEXT NOT NULL, wanted TEXT NOT NULL, until INTEGER) STRICT;
CREATE TABLE aerator_commanded (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), code TEXT NOT NULL, runs INTEGER NOT NULL, why TEXT NOT NULL) STRICT;
CREATE TABLE aerator_reported (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), code TEXT NOT NULL, running INTEGER NOT NULL, current_a REAL, mains INTEGER NOT NULL) STRICT;
CREATE TABLE aerator_serviced (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), code TEXT NOT NULL, next_after_h REAL NOT NULL, text TEXT NOT NULL) STRICT;
CREATE TABLE aerator_tested (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), code TEXT NOT NULL, step TEXT NOT NULL, rated_a REAL NOT NULL, most_kpa REAL, most_c REAL, current_a REAL NOT NULL, kpa REAL, temp_c REAL) STRICT;

-- Weather belongs to no pond.
CREATE TABLE probe_series_new (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  device INTEGER NOT NULL REFERENCES log(line), pond INTEGER REFERENCES log(line), n INTEGER NOT NULL
) STRICT;
INSERT INTO probe_series_new SELECT * FROM probe_series;
DROP TABLE probe_series;
ALTER TABLE probe_series_new RENAME TO probe_series;
CREATE TRIGGER probe_series_stays BEFORE UPDATE ON probe_series BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER probe_series_kept BEFORE DELETE ON probe_series BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;

ALTER TABLE farm ADD COLUMN kwh_price REAL;

CREATE TRIGGER air_control_stays BEFORE UPDATE ON air_control BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER air_control_kept BEFORE DELETE ON air_control BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER aerator_switched_stays BEFORE UPDATE ON aerator_switched BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER aerator_switched_kept BEFORE DELETE ON aerator_switched BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER aerator_commanded_stays BEFORE UPDATE ON aerator_commanded BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER aerator_commanded_kept BEFORE DELETE ON aerator_commanded BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER aerator_reported_stays BEFORE UPDATE ON aerator_reported BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER aerator_reported_kept BEFORE DELETE ON aerator_reported BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER aerator_serviced_stays BEFORE UPDATE ON aerator_serviced BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER aerator_serviced_kept BEFORE DELETE ON aerator_serviced BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER aerator_tested_stays BEFORE UPDATE ON aerator_tested BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER aerator_tested_kept BEFORE DELETE ON aerator_tested BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;

CREATE INDEX air_control_pond ON air_control(pond);
CREATE INDEX aerator_switched_pond ON aerator_switched(pond);
CREATE INDEX aerator_commanded_pond ON aerator_commanded(pond);
CREATE INDEX aerator_reported_pond ON aerator_reported(pond);
CREATE INDEX aerator_serviced_pond ON aerator_serviced(pond);
CREATE INDEX aerator_tested_pond ON aerator_tested(pond);

-- Methods that were not shown are kept beside the one that was, so that each is scored.
ALTER TABLE forecast_issued ADD COLUMN shown INTEGER NOT NULL DEFAULT 1;
