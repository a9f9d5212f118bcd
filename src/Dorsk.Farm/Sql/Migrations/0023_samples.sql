-- Lengths beside weights, and marks of health counted on the fish of a sample.
ALTER TABLE weighing ADD COLUMN length_m REAL;
CREATE TABLE sample_mark (line INTEGER NOT NULL REFERENCES sample(line), mark TEXT NOT NULL, fish INTEGER NOT NULL, PRIMARY KEY (line, mark)) STRICT, WITHOUT ROWID;
CREATE TRIGGER sample_mark_stays BEFORE UPDATE ON sample_mark BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER sample_mark_kept BEFORE DELETE ON sample_mark BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
