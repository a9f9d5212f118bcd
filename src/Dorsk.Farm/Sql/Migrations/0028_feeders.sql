-- Feeders as they were weighed: what a minute or a turn gives.
CREATE TABLE feeder (line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), name TEXT NOT NULL, dose TEXT NOT NULL, grams_each REAL NOT NULL, weighed_on TEXT NOT NULL, meals INTEGER NOT NULL, gone INTEGER NOT NULL) STRICT;
CREATE INDEX feeder_pond ON feeder(pond);
CREATE TRIGGER feeder_stays BEFORE UPDATE ON feeder BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER feeder_kept BEFORE DELETE ON feeder BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
