-- Standing jobs: the latest line of a duty counts.
CREATE TABLE duty (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  duty INTEGER NOT NULL REFERENCES log(line),
  pond INTEGER REFERENCES log(line),
  what TEXT NOT NULL, reason TEXT NOT NULL, every_days INTEGER NOT NULL, first_day TEXT NOT NULL, at_hour TEXT NOT NULL, who TEXT NOT NULL, last_day TEXT
) STRICT;

CREATE TRIGGER duty_stays BEFORE UPDATE ON duty BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER duty_kept BEFORE DELETE ON duty BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
