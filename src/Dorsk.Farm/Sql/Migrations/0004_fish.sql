-- batch is the number a batch keeps through every correction: the line that first stocked it.
CREATE TABLE stocking (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  batch INTEGER NOT NULL REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  species TEXT NOT NULL, origin TEXT NOT NULL, count INTEGER NOT NULL, mean_g REAL NOT NULL, basis TEXT NOT NULL,
  not_ready_reason TEXT NOT NULL, target_g REAL
) STRICT;

CREATE TABLE posting (
  line INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL,
  batch INTEGER NOT NULL REFERENCES log(line), account TEXT NOT NULL, pond INTEGER REFERENCES log(line),
  count INTEGER NOT NULL, mass_g REAL NOT NULL, basis TEXT NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
CREATE INDEX posting_by_batch ON posting(batch);
CREATE INDEX posting_by_pond ON posting(pond);

CREATE TABLE loss (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line),
  count INTEGER NOT NULL, account TEXT NOT NULL, cause TEXT NOT NULL
) STRICT;

CREATE TABLE move (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), to_pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line),
  count INTEGER NOT NULL, mean_g REAL NOT NULL, basis TEXT NOT NULL
) STRICT;

CREATE TABLE sample (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line), single INTEGER NOT NULL
) STRICT;
CREATE TABLE weighing (
  line INTEGER NOT NULL REFERENCES sample(line), n INTEGER NOT NULL, count INTEGER NOT NULL, mass_g REAL NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE harvest (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line),
  count INTEGER NOT NULL, mass_kg REAL NOT NULL, basis TEXT NOT NULL, account TEXT NOT NULL, final INTEGER NOT NULL, difference_reason TEXT NOT NULL
) STRICT;
