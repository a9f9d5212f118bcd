CREATE TABLE buyer (
  line INTEGER PRIMARY KEY REFERENCES log(line), buyer INTEGER NOT NULL, name TEXT NOT NULL, kind TEXT NOT NULL,
  dropped INTEGER NOT NULL
) STRICT;
CREATE TABLE price_listed (
  line INTEGER PRIMARY KEY REFERENCES log(line), buyer INTEGER, species TEXT NOT NULL, form TEXT NOT NULL,
  from_g REAL NOT NULL, minor_per_kg INTEGER
) STRICT;
CREATE TABLE fish_sold (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, harvest INTEGER NOT NULL, use TEXT NOT NULL,
  buyer INTEGER, form TEXT NOT NULL, gross_kg REAL NOT NULL, crates INTEGER NOT NULL, tare_kg REAL NOT NULL,
  yield REAL NOT NULL, minor_per_kg INTEGER, discount_pct REAL NOT NULL, temp_c REAL, note TEXT NOT NULL
) STRICT;
CREATE INDEX fish_sold_harvest ON fish_sold(harvest);
CREATE INDEX fish_sold_pond ON fish_sold(pond);
CREATE TRIGGER buyer_stays BEFORE UPDATE ON buyer BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER buyer_kept BEFORE DELETE ON buyer BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER price_listed_stays BEFORE UPDATE ON price_listed BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER price_listed_kept BEFORE DELETE ON price_listed BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER fish_sold_stays BEFORE UPDATE ON fish_sold BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fish_sold_kept BEFORE DELETE ON fish_sold BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
