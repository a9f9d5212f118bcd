-- Counts of all fish of a batch in a pond, and fish held apart.
CREATE TABLE recount (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line), count INTEGER NOT NULL, basis TEXT NOT NULL, reason TEXT NOT NULL
) STRICT;

CREATE TABLE quarantine (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line), event TEXT NOT NULL, days INTEGER, calm INTEGER NOT NULL, text TEXT NOT NULL
) STRICT;

CREATE TRIGGER recount_stays BEFORE UPDATE ON recount BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER recount_kept BEFORE DELETE ON recount BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER quarantine_stays BEFORE UPDATE ON quarantine BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER quarantine_kept BEFORE DELETE ON quarantine BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
