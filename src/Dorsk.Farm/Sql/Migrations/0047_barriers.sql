CREATE TABLE barrier_check (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, kind TEXT NOT NULL, work TEXT NOT NULL,
  cost_minor INTEGER, note TEXT NOT NULL
) STRICT;
CREATE INDEX barrier_check_pond ON barrier_check(pond);
CREATE TRIGGER barrier_check_stays BEFORE UPDATE ON barrier_check BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER barrier_check_kept BEFORE DELETE ON barrier_check BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
