-- Work alone with its check-in, the colour of water that is wanted, the share of a planned change of water.
ALTER TABLE pond ADD COLUMN colour_target INTEGER;
ALTER TABLE duty ADD COLUMN share_pct REAL;
CREATE TABLE lone_work (
  line INTEGER PRIMARY KEY REFERENCES log(line), who TEXT NOT NULL, minutes INTEGER NOT NULL, place TEXT NOT NULL
) STRICT;
CREATE TRIGGER lone_work_stays BEFORE UPDATE ON lone_work BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER lone_work_kept BEFORE DELETE ON lone_work BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
