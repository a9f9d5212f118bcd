-- Who does what on a net day, and who watches a night.
CREATE TABLE roster (
  line INTEGER PRIMARY KEY REFERENCES log(line), kind TEXT NOT NULL, pond INTEGER REFERENCES log(line), day TEXT NOT NULL
) STRICT;
CREATE TABLE roster_place (
  line INTEGER NOT NULL REFERENCES roster(line), n INTEGER NOT NULL, role TEXT NOT NULL, person INTEGER NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER roster_stays BEFORE UPDATE ON roster BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER roster_kept BEFORE DELETE ON roster BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER roster_place_stays BEFORE UPDATE ON roster_place BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER roster_place_kept BEFORE DELETE ON roster_place BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
-- Fish doctors and advisers, and what they said.
CREATE TABLE adviser (
  line INTEGER PRIMARY KEY REFERENCES log(line), adviser INTEGER NOT NULL, name TEXT NOT NULL, kind TEXT NOT NULL,
  phone TEXT NOT NULL, about TEXT NOT NULL, dropped INTEGER NOT NULL
) STRICT;
CREATE TABLE advice (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL,
  adviser INTEGER NOT NULL, text TEXT NOT NULL
) STRICT;
CREATE TRIGGER adviser_stays BEFORE UPDATE ON adviser BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER adviser_kept BEFORE DELETE ON adviser BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER advice_stays BEFORE UPDATE ON advice BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER advice_kept BEFORE DELETE ON advice BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
-- Throws of a cast net for practice.
CREATE TABLE cast_practice (
  line INTEGER PRIMARY KEY REFERENCES log(line), person INTEGER NOT NULL, throws INTEGER NOT NULL, opened INTEGER NOT NULL
) STRICT;
CREATE TRIGGER cast_practice_stays BEFORE UPDATE ON cast_practice BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER cast_practice_kept BEFORE DELETE ON cast_practice BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
