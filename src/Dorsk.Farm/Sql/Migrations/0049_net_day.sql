CREATE TABLE net_day (
  line INTEGER PRIMARY KEY REFERENCES log(line), net INTEGER NOT NULL, pond INTEGER NOT NULL, batch INTEGER NOT NULL,
  water_m3 REAL NOT NULL, flow_m3_h REAL NOT NULL, low_kg REAL NOT NULL, high_kg REAL NOT NULL, mean_g REAL NOT NULL,
  crew TEXT NOT NULL, reason TEXT NOT NULL
) STRICT;
CREATE INDEX net_day_pond ON net_day(pond);
CREATE INDEX net_day_net ON net_day(net);
CREATE TABLE basket (
  line INTEGER PRIMARY KEY REFERENCES log(line), net INTEGER NOT NULL, pond INTEGER NOT NULL, pull INTEGER NOT NULL,
  fate TEXT NOT NULL, gross_kg REAL NOT NULL, tare_kg REAL NOT NULL, count INTEGER, class_from_g REAL
) STRICT;
CREATE INDEX basket_net ON basket(net);
CREATE TABLE net_note (
  line INTEGER PRIMARY KEY REFERENCES log(line), net INTEGER NOT NULL, pond INTEGER NOT NULL, event TEXT NOT NULL,
  pull INTEGER NOT NULL, oxygen REAL, crowd_kg REAL, missed TEXT NOT NULL
) STRICT;
CREATE INDEX net_note_net ON net_note(net);
CREATE TABLE net_close (
  line INTEGER PRIMARY KEY REFERENCES log(line), net INTEGER NOT NULL, pond INTEGER NOT NULL, empty INTEGER NOT NULL,
  note TEXT NOT NULL, damaged INTEGER
) STRICT;
CREATE INDEX net_close_net ON net_close(net);
CREATE INDEX net_close_pond ON net_close(pond);
CREATE TABLE harvest_arranged (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, day TEXT NOT NULL, thing TEXT NOT NULL,
  state TEXT NOT NULL, who TEXT NOT NULL
) STRICT;
CREATE INDEX harvest_arranged_pond ON harvest_arranged(pond);
CREATE TABLE cycle_review (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, batch INTEGER NOT NULL, surprise TEXT NOT NULL,
  change TEXT NOT NULL
) STRICT;
CREATE INDEX cycle_review_pond ON cycle_review(pond);
CREATE TABLE fish_order (
  line INTEGER PRIMARY KEY REFERENCES log(line), fish_order INTEGER NOT NULL, buyer INTEGER NOT NULL, species TEXT NOT NULL,
  form TEXT NOT NULL, from_g REAL NOT NULL, kg REAL NOT NULL, due TEXT NOT NULL, dropped INTEGER NOT NULL, note TEXT NOT NULL,
  count INTEGER, customer_m2 REAL
) STRICT;
ALTER TABLE fish_sold ADD COLUMN fish_order INTEGER;
CREATE TRIGGER net_day_stays BEFORE UPDATE ON net_day BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER net_day_kept BEFORE DELETE ON net_day BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER basket_stays BEFORE UPDATE ON basket BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER basket_kept BEFORE DELETE ON basket BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER net_note_stays BEFORE UPDATE ON net_note BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER net_note_kept BEFORE DELETE ON net_note BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER net_close_stays BEFORE UPDATE ON net_close BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER net_close_kept BEFORE DELETE ON net_close BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER harvest_arranged_stays BEFORE UPDATE ON harvest_arranged BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER harvest_arranged_kept BEFORE DELETE ON harvest_arranged BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER cycle_review_stays BEFORE UPDATE ON cycle_review BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER cycle_review_kept BEFORE DELETE ON cycle_review BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER fish_order_stays BEFORE UPDATE ON fish_order BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fish_order_kept BEFORE DELETE ON fish_order BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
