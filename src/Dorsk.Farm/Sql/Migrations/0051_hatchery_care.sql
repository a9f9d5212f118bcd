ALTER TABLE vessel ADD COLUMN baskets INTEGER NOT NULL DEFAULT 0;
ALTER TABLE eggs ADD COLUMN masses INTEGER;
ALTER TABLE eggs ADD COLUMN with_parents INTEGER NOT NULL DEFAULT 0;
ALTER TABLE lot_look ADD COLUMN mixing TEXT NOT NULL DEFAULT 'NotSeen';
ALTER TABLE fry_feed ADD COLUMN form TEXT NOT NULL DEFAULT 'NotSaid';
ALTER TABLE fry_feed ADD COLUMN protein_pct REAL;
CREATE TABLE fry_feeder (
  line INTEGER PRIMARY KEY REFERENCES log(line), lot INTEGER NOT NULL, every_min INTEGER NOT NULL, dose_g REAL NOT NULL,
  weighed_g REAL
) STRICT;
CREATE INDEX fry_feeder_lot ON fry_feeder(lot);
CREATE TABLE fry_target (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, target_on TEXT NOT NULL, weight_g REAL NOT NULL
) STRICT;
CREATE TABLE release_trial (
  line INTEGER PRIMARY KEY REFERENCES log(line), species TEXT NOT NULL, water TEXT NOT NULL, tried INTEGER NOT NULL,
  took INTEGER NOT NULL, hours REAL NOT NULL, marked INTEGER NOT NULL, caught INTEGER NOT NULL, again INTEGER NOT NULL
) STRICT;
CREATE TRIGGER fry_feeder_stays BEFORE UPDATE ON fry_feeder BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fry_feeder_kept BEFORE DELETE ON fry_feeder BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER fry_target_stays BEFORE UPDATE ON fry_target BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fry_target_kept BEFORE DELETE ON fry_target BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER release_trial_stays BEFORE UPDATE ON release_trial BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER release_trial_kept BEFORE DELETE ON release_trial BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
