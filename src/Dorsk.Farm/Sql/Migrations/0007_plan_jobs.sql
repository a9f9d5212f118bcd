CREATE TABLE pond_place (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  east_m REAL NOT NULL, north_m REAL NOT NULL, turn_deg REAL NOT NULL
) STRICT;

-- points: metres east and north, "x y;x y", in drawing order.
CREATE TABLE landmark (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  kind TEXT NOT NULL, name TEXT NOT NULL, points TEXT NOT NULL
) STRICT;

-- key: rule, place and day of a job that was worked out; jobs themselves are never stored.
CREATE TABLE job_closed (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  key TEXT NOT NULL, pond INTEGER REFERENCES log(line), outcome TEXT NOT NULL, reason TEXT NOT NULL
) STRICT;

CREATE TRIGGER pond_place_stays BEFORE UPDATE ON pond_place BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER pond_place_kept BEFORE DELETE ON pond_place BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER landmark_stays BEFORE UPDATE ON landmark BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER landmark_kept BEFORE DELETE ON landmark BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER job_closed_stays BEFORE UPDATE ON job_closed BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER job_closed_kept BEFORE DELETE ON job_closed BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
