-- Equipment that fish live by: what spare lies ready, how often it is tested, and how each test went.
CREATE TABLE vital (
  line INTEGER PRIMARY KEY REFERENCES log(line), vital INTEGER NOT NULL, kind TEXT NOT NULL, name TEXT NOT NULL, pond INTEGER REFERENCES log(line),
  every_days INTEGER NOT NULL, spares INTEGER NOT NULL, spare_where TEXT NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE TRIGGER vital_stays BEFORE UPDATE ON vital BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER vital_kept BEFORE DELETE ON vital BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TABLE vital_checked (
  line INTEGER PRIMARY KEY REFERENCES log(line), vital INTEGER NOT NULL, pond INTEGER REFERENCES log(line), figure REAL, passed INTEGER NOT NULL, text TEXT NOT NULL
) STRICT;
CREATE TRIGGER vital_checked_stays BEFORE UPDATE ON vital_checked BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER vital_checked_kept BEFORE DELETE ON vital_checked BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE INDEX vital_checked_vital ON vital_checked(vital);
