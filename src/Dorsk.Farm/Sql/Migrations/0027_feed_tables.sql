-- A farm's own feeding table of a species by size and temperature; each version is a line of the log.
CREATE TABLE feed_table (line INTEGER PRIMARY KEY REFERENCES log(line), species TEXT NOT NULL) STRICT;
CREATE TABLE feed_table_row (line INTEGER NOT NULL REFERENCES feed_table(line), n INTEGER NOT NULL, from_g REAL NOT NULL, pellet_low_mm REAL NOT NULL, pellet_high_mm REAL NOT NULL, protein_pct REAL NOT NULL, ration_pct REAL NOT NULL, temp_c REAL NOT NULL, PRIMARY KEY (line, n)) STRICT, WITHOUT ROWID;
CREATE TRIGGER feed_table_stays BEFORE UPDATE ON feed_table BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER feed_table_kept BEFORE DELETE ON feed_table BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER feed_table_row_stays BEFORE UPDATE ON feed_table_row BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER feed_table_row_kept BEFORE DELETE ON feed_table_row BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
