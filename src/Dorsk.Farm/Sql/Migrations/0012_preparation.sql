CREATE TABLE preparation (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  stock_on TEXT, species TEXT NOT NULL, dry_days INTEGER NOT NULL,
  lime TEXT NOT NULL, mud_ph REAL, texture TEXT NOT NULL, alkalinity_mg_l REAL, lime_value_pct REAL NOT NULL,
  pests TEXT NOT NULL, poison_g_m3 REAL, poison_days INTEGER NOT NULL, fertiliser TEXT NOT NULL, cover INTEGER NOT NULL,
  bag_kg REAL NOT NULL, lime_bag REAL, fertiliser_bag REAL, meal_bag REAL, kwh REAL
) STRICT;

CREATE TRIGGER preparation_stays BEFORE UPDATE ON preparation BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER preparation_kept BEFORE DELETE ON preparation BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
