-- The farm's own figures over the starting values; an empty value goes back to them.
CREATE TABLE species_value (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  species TEXT NOT NULL, field TEXT NOT NULL, value REAL
) STRICT;
CREATE TABLE limit_set (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER REFERENCES log(line),
  species TEXT NOT NULL, stage TEXT NOT NULL, name TEXT NOT NULL, value REAL
) STRICT;

CREATE TRIGGER species_value_stays BEFORE UPDATE ON species_value BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER species_value_kept BEFORE DELETE ON species_value BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER limit_set_stays BEFORE UPDATE ON limit_set BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER limit_set_kept BEFORE DELETE ON limit_set BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
