-- The store: labels of feed and other inputs, what a load cost, what left unfed, what was counted.
ALTER TABLE feed ADD COLUMN kind TEXT NOT NULL DEFAULT 'Feed';
ALTER TABLE feed ADD COLUMN fat_pct REAL;
ALTER TABLE feed ADD COLUMN energy_mj_kg REAL;
ALTER TABLE feed ADD COLUMN floats INTEGER;
ALTER TABLE feed ADD COLUMN bag_kg REAL;
ALTER TABLE feed ADD COLUMN lead_days REAL;
ALTER TABLE feed_received ADD COLUMN price_minor_per_kg INTEGER;
ALTER TABLE feed_received ADD COLUMN freight_minor INTEGER NOT NULL DEFAULT 0;
CREATE TABLE store_taken (line INTEGER PRIMARY KEY REFERENCES log(line), feed INTEGER NOT NULL REFERENCES log(line), lot TEXT NOT NULL, mass_kg REAL NOT NULL, cause TEXT NOT NULL, text TEXT NOT NULL) STRICT;
CREATE TABLE store_counted (line INTEGER PRIMARY KEY REFERENCES log(line), feed INTEGER NOT NULL REFERENCES log(line), mass_kg REAL NOT NULL, reason TEXT NOT NULL) STRICT;
CREATE TRIGGER store_taken_stays BEFORE UPDATE ON store_taken BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER store_taken_kept BEFORE DELETE ON store_taken BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER store_counted_stays BEFORE UPDATE ON store_counted BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER store_counted_kept BEFORE DELETE ON store_counted BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
