CREATE TABLE farm (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  name TEXT NOT NULL, place_name TEXT NOT NULL, latitude REAL NOT NULL, longitude REAL NOT NULL, altitude_m REAL NOT NULL,
  zone TEXT NOT NULL, units TEXT NOT NULL, decimal_sign TEXT NOT NULL, currency TEXT NOT NULL
) STRICT;

CREATE TABLE person (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  name TEXT NOT NULL, role TEXT NOT NULL
) STRICT;

-- pond is the number a pond keeps through every change: the line that first built it.
CREATE TABLE pond (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  code TEXT NOT NULL, name TEXT NOT NULL, kind TEXT NOT NULL, use TEXT NOT NULL, shape TEXT NOT NULL,
  length_m REAL, width_m REAL, diameter_m REAL, depth_m REAL NOT NULL, slope REAL
) STRICT;

-- A line in aerators_fitted without rows in aerator says that none is fitted any more.
CREATE TABLE aerators_fitted (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line)
) STRICT;
CREATE TABLE aerator (
  line INTEGER NOT NULL REFERENCES aerators_fitted(line), n INTEGER NOT NULL,
  code TEXT NOT NULL, kind TEXT NOT NULL, shaft_kw REAL NOT NULL, on_minute INTEGER, off_minute INTEGER,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE pond_work (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  work TEXT NOT NULL, text TEXT NOT NULL, amount_kg REAL
) STRICT;
