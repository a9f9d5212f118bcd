-- The order in which ponds are walked.
CREATE TABLE walk_set (line INTEGER PRIMARY KEY REFERENCES log(line)) STRICT;
CREATE TABLE walk_stop (
  line INTEGER NOT NULL REFERENCES walk_set(line), n INTEGER NOT NULL, pond INTEGER NOT NULL REFERENCES log(line),
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER walk_set_stays BEFORE UPDATE ON walk_set BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER walk_set_kept BEFORE DELETE ON walk_set BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER walk_stop_stays BEFORE UPDATE ON walk_stop BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER walk_stop_kept BEFORE DELETE ON walk_stop BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
