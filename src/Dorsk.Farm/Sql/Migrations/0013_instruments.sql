-- Ends of the step that a strip showed; the value is their middle.
ALTER TABLE reading ADD COLUMN low REAL;
ALTER TABLE reading ADD COLUMN high REAL;

-- measures: keys of parameters with spaces between them.
CREATE TABLE instrument (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  instrument INTEGER NOT NULL REFERENCES log(line),
  name TEXT NOT NULL, kind TEXT NOT NULL, measures TEXT NOT NULL, resolution TEXT NOT NULL, calibrated TEXT, every_days INTEGER, who TEXT NOT NULL
) STRICT;

CREATE TRIGGER instrument_stays BEFORE UPDATE ON instrument BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER instrument_kept BEFORE DELETE ON instrument BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
