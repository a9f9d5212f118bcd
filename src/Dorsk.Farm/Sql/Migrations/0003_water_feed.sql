CREATE TABLE reading (
  line INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL,
  pond INTEGER REFERENCES log(line),
  parameter TEXT NOT NULL, value REAL NOT NULL, depth_m REAL, instrument TEXT NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE feed (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  feed INTEGER NOT NULL REFERENCES log(line),
  name TEXT NOT NULL, pellet_mm REAL NOT NULL, protein_pct REAL NOT NULL, price_minor_per_kg INTEGER
) STRICT;

CREATE TABLE feed_received (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  feed INTEGER NOT NULL REFERENCES log(line),
  lot TEXT NOT NULL, mass_kg REAL NOT NULL, expiry TEXT
) STRICT;

CREATE TABLE feeding (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  feed INTEGER NOT NULL REFERENCES log(line),
  mass_kg REAL NOT NULL
) STRICT;
