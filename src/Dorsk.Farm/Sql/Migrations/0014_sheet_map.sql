-- State, not a fact: what the columns of a sheet with these headings meant the last time.
CREATE TABLE sheet_map (heading TEXT PRIMARY KEY, map TEXT NOT NULL) STRICT;
