-- One row per accepted line. Nothing in these tables is ever changed or taken away: a correction is a new line that voids an old one.
CREATE TABLE entry (
  id      TEXT PRIMARY KEY,
  entered INTEGER NOT NULL,
  author  TEXT NOT NULL
) STRICT;

CREATE TABLE log (
  line     INTEGER PRIMARY KEY,
  entry    TEXT NOT NULL REFERENCES entry(id),
  n        INTEGER NOT NULL,
  kind     TEXT NOT NULL,
  pond     INTEGER REFERENCES log(line),
  happened INTEGER NOT NULL,
  entered  INTEGER NOT NULL,
  author   TEXT NOT NULL,
  as_typed TEXT NOT NULL,
  voids    INTEGER UNIQUE REFERENCES log(line),
  UNIQUE (entry, n)
) STRICT;
CREATE INDEX log_by_pond ON log(pond, happened);
CREATE INDEX log_by_kind ON log(kind, happened);

-- Questions the door asked about a line, and the person answered with yes.
CREATE TABLE confirmed (
  line INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL, text TEXT NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
