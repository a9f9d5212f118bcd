CREATE TABLE vessel (
  line INTEGER PRIMARY KEY REFERENCES log(line), vessel INTEGER NOT NULL, kind TEXT NOT NULL, name TEXT NOT NULL,
  water_m3 REAL NOT NULL, flow_m3_h REAL NOT NULL, pond INTEGER, before TEXT NOT NULL, gone INTEGER NOT NULL,
  depth_m REAL NOT NULL, spacing_m REAL, to_centre INTEGER NOT NULL, along REAL, across REAL
) STRICT;
CREATE TABLE eggs (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, species TEXT NOT NULL, vessel INTEGER NOT NULL,
  nest INTEGER, parents TEXT NOT NULL, count INTEGER NOT NULL, basis TEXT NOT NULL, colour TEXT NOT NULL,
  broken INTEGER NOT NULL, fertile_pct REAL, from_c REAL, trough_c REAL NOT NULL, tempered_min REAL NOT NULL,
  treatment TEXT NOT NULL
) STRICT;
CREATE TABLE lot_look (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, temp_c REAL, oxygen REAL, ph REAL, seen TEXT,
  colour TEXT NOT NULL, fungus_pct REAL, deformed INTEGER, siphoned INTEGER NOT NULL, changed_pct REAL,
  behaviour TEXT NOT NULL, light_lux REAL, given TEXT NOT NULL
) STRICT;
CREATE INDEX lot_look_lot ON lot_look(lot);
CREATE TABLE lot_count (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, stage TEXT NOT NULL, count INTEGER NOT NULL,
  basis TEXT NOT NULL, reason TEXT NOT NULL, within_pct REAL
) STRICT;
CREATE TABLE lot_move (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, from_lot INTEGER NOT NULL, vessel INTEGER NOT NULL,
  count INTEGER, from_c REAL NOT NULL, to_c REAL NOT NULL, treatment TEXT NOT NULL
) STRICT;
CREATE TABLE lot_left (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, count INTEGER NOT NULL, exit TEXT NOT NULL,
  whereto TEXT NOT NULL
) STRICT;
CREATE TABLE fry_feed (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, feed TEXT NOT NULL, grams REAL NOT NULL,
  score INTEGER, place TEXT NOT NULL
) STRICT;
CREATE INDEX fry_feed_lot ON fry_feed(lot);
CREATE TABLE brood (
  line INTEGER PRIMARY KEY REFERENCES log(line), brood INTEGER NOT NULL, pond INTEGER NOT NULL, tag TEXT NOT NULL,
  count INTEGER NOT NULL, sex TEXT NOT NULL, sure TEXT NOT NULL, origin TEXT NOT NULL, strain TEXT NOT NULL,
  hatch_year INTEGER, mean_kg REAL NOT NULL, signs TEXT NOT NULL, retired INTEGER NOT NULL, hormone TEXT NOT NULL,
  photo TEXT NOT NULL
) STRICT;
CREATE TABLE brood_look (
  line INTEGER PRIMARY KEY REFERENCES log(line), brood INTEGER NOT NULL, pond INTEGER NOT NULL, thin INTEGER NOT NULL,
  sores INTEGER NOT NULL, skin INTEGER NOT NULL, gills INTEGER NOT NULL, weight_kg REAL
) STRICT;
CREATE TABLE nest_look (
  line INTEGER PRIMARY KEY REFERENCES log(line), vessel INTEGER NOT NULL, pond INTEGER NOT NULL, seen TEXT NOT NULL
) STRICT;
CREATE TABLE forage (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, kind TEXT NOT NULL, source TEXT NOT NULL,
  kg REAL NOT NULL, state TEXT NOT NULL
) STRICT;
CREATE TABLE forage_rule (line INTEGER PRIMARY KEY REFERENCES log(line), never INTEGER NOT NULL) STRICT;
CREATE TABLE hatch_plan (
  line INTEGER PRIMARY KEY REFERENCES log(line), plan INTEGER NOT NULL, species TEXT NOT NULL, dropped INTEGER NOT NULL,
  wanted INTEGER NOT NULL, wanted_on TEXT NOT NULL, length_mm REAL NOT NULL, female_kg REAL NOT NULL,
  females INTEGER NOT NULL, males INTEGER NOT NULL, spawn_low REAL NOT NULL, spawn_high REAL NOT NULL,
  hatch_low REAL NOT NULL, hatch_high REAL NOT NULL, feed_low REAL NOT NULL, feed_high REAL NOT NULL,
  nursery_low REAL NOT NULL, nursery_high REAL NOT NULL, water_c REAL NOT NULL
) STRICT;
ALTER TABLE stocking ADD COLUMN hatch_lot INTEGER;
CREATE INDEX stocking_hatch_lot ON stocking(hatch_lot) WHERE hatch_lot IS NOT NULL;
CREATE TRIGGER vessel_stays BEFORE UPDATE ON vessel BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER vessel_kept BEFORE DELETE ON vessel BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER eggs_stays BEFORE UPDATE ON eggs BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER eggs_kept BEFORE DELETE ON eggs BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER lot_look_stays BEFORE UPDATE ON lot_look BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER lot_look_kept BEFORE DELETE ON lot_look BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER lot_count_stays BEFORE UPDATE ON lot_count BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER lot_count_kept BEFORE DELETE ON lot_count BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER lot_move_stays BEFORE UPDATE ON lot_move BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER lot_move_kept BEFORE DELETE ON lot_move BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER lot_left_stays BEFORE UPDATE ON lot_left BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER lot_left_kept BEFORE DELETE ON lot_left BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER fry_feed_stays BEFORE UPDATE ON fry_feed BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fry_feed_kept BEFORE DELETE ON fry_feed BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER brood_stays BEFORE UPDATE ON brood BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER brood_kept BEFORE DELETE ON brood BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER brood_look_stays BEFORE UPDATE ON brood_look BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER brood_look_kept BEFORE DELETE ON brood_look BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER nest_look_stays BEFORE UPDATE ON nest_look BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER nest_look_kept BEFORE DELETE ON nest_look BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER forage_stays BEFORE UPDATE ON forage BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER forage_kept BEFORE DELETE ON forage BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER forage_rule_stays BEFORE UPDATE ON forage_rule BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER forage_rule_kept BEFORE DELETE ON forage_rule BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER hatch_plan_stays BEFORE UPDATE ON hatch_plan BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER hatch_plan_kept BEFORE DELETE ON hatch_plan BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
