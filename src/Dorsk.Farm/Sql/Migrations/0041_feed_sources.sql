-- Fish meal and permit of a feed and what replaces it; the net a sample came from; what kind of stock came; air and rest of fish held apart; tests of water sources.
ALTER TABLE feed ADD COLUMN fish_meal_pct REAL;
ALTER TABLE feed ADD COLUMN permit_to TEXT;
ALTER TABLE feed ADD COLUMN fallback INTEGER REFERENCES log(line);
ALTER TABLE sample ADD COLUMN net_radius_m REAL;
ALTER TABLE sample ADD COLUMN mesh_mm REAL;
ALTER TABLE fish_received ADD COLUMN stock_type TEXT NOT NULL DEFAULT 'Unsaid';
ALTER TABLE quarantine ADD COLUMN no_air INTEGER NOT NULL DEFAULT 0;
ALTER TABLE quarantine ADD COLUMN no_rest INTEGER NOT NULL DEFAULT 0;
CREATE TABLE source_tested (
  line INTEGER PRIMARY KEY REFERENCES log(line), name TEXT NOT NULL, kind TEXT NOT NULL, is_second INTEGER NOT NULL, flow_m3_h REAL
) STRICT;
CREATE TABLE source_value (
  line INTEGER NOT NULL REFERENCES source_tested(line), n INTEGER NOT NULL, parameter TEXT NOT NULL, value REAL NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
CREATE TRIGGER source_tested_stays BEFORE UPDATE ON source_tested BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER source_tested_kept BEFORE DELETE ON source_tested BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER source_value_stays BEFORE UPDATE ON source_value BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER source_value_kept BEFORE DELETE ON source_value BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
