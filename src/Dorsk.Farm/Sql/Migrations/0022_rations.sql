-- How fish came to a meal and what they left; the pond's school of ration; what somebody wanted instead of the plan.
ALTER TABLE feeding ADD COLUMN score INTEGER;
ALTER TABLE feeding ADD COLUMN minutes REAL;
ALTER TABLE feeding ADD COLUMN left_kg REAL NOT NULL DEFAULT 0;
CREATE TABLE ration_school (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), school TEXT NOT NULL) STRICT;
CREATE TABLE ration_overruled (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line), day TEXT NOT NULL, kg REAL, reason TEXT NOT NULL) STRICT;
CREATE INDEX ration_school_pond ON ration_school(pond);
CREATE INDEX ration_overruled_pond ON ration_overruled(pond);

CREATE TRIGGER ration_school_stays BEFORE UPDATE ON ration_school BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER ration_school_kept BEFORE DELETE ON ration_school BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER ration_overruled_stays BEFORE UPDATE ON ration_overruled BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER ration_overruled_kept BEFORE DELETE ON ration_overruled BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;

CREATE INDEX feeding_watched ON feeding(pond) WHERE score IS NOT NULL;
