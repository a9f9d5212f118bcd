-- Products and treatments, investigations, holds, hunters, losses nobody counted; what the dead look like.
ALTER TABLE loss ADD COLUMN sizes TEXT NOT NULL DEFAULT '';
ALTER TABLE loss ADD COLUMN place TEXT NOT NULL DEFAULT '';
ALTER TABLE loss ADD COLUMN look TEXT NOT NULL DEFAULT '';
ALTER TABLE loss ADD COLUMN mass_kg REAL;
ALTER TABLE loss ADD COLUMN disposal TEXT NOT NULL DEFAULT '';
ALTER TABLE loss ADD COLUMN photo TEXT NOT NULL DEFAULT '';
CREATE TABLE loss_guessed (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, batch INTEGER NOT NULL,
  low_share REAL NOT NULL, high_share REAL NOT NULL, began TEXT NOT NULL, cause TEXT NOT NULL
) STRICT;
CREATE INDEX loss_guessed_batch ON loss_guessed(batch);
CREATE TABLE product (
  line INTEGER PRIMARY KEY REFERENCES log(line), product INTEGER NOT NULL, name TEXT NOT NULL, kind TEXT NOT NULL,
  active TEXT NOT NULL, matter TEXT NOT NULL, strength REAL NOT NULL, basis TEXT NOT NULL,
  dose_low REAL NOT NULL, dose_high REAL NOT NULL, bath_minutes REAL, feed_days INTEGER,
  withdrawal_days INTEGER NOT NULL, withdrawal_degree_days REAL NOT NULL, needs_vet INTEGER NOT NULL,
  pack_g REAL, density_g_ml REAL, how TEXT NOT NULL, dropped INTEGER NOT NULL
) STRICT;
CREATE INDEX product_product ON product(product);
CREATE TABLE treatment (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, product INTEGER NOT NULL, amount_g REAL NOT NULL,
  days INTEGER NOT NULL, reason TEXT NOT NULL, vet TEXT NOT NULL, passed_reason TEXT NOT NULL, demand_mg_l REAL
) STRICT;
CREATE INDEX treatment_pond ON treatment(pond);
CREATE TABLE bath_note (
  line INTEGER PRIMARY KEY REFERENCES log(line), treatment INTEGER NOT NULL, pond INTEGER NOT NULL, event TEXT NOT NULL,
  oxygen REAL, text TEXT NOT NULL
) STRICT;
CREATE INDEX bath_note_pond ON bath_note(pond);
CREATE TABLE health_look (
  line INTEGER PRIMARY KEY REFERENCES log(line), look INTEGER NOT NULL, pond INTEGER NOT NULL, note TEXT NOT NULL,
  cause TEXT NOT NULL, vet TEXT NOT NULL
) STRICT;
CREATE INDEX health_look_pond ON health_look(pond);
CREATE TABLE health_sign (
  line INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL, sign TEXT NOT NULL, seen INTEGER NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;
CREATE TABLE pond_hold (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, begins INTEGER NOT NULL, why TEXT NOT NULL
) STRICT;
CREATE INDEX pond_hold_pond ON pond_hold(pond);
CREATE TABLE hunter_seen (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL, kind TEXT NOT NULL, count INTEGER NOT NULL,
  place TEXT NOT NULL, done TEXT NOT NULL
) STRICT;
CREATE INDEX hunter_seen_pond ON hunter_seen(pond);
CREATE TRIGGER loss_guessed_stays BEFORE UPDATE ON loss_guessed BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER loss_guessed_kept BEFORE DELETE ON loss_guessed BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER product_stays BEFORE UPDATE ON product BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER product_kept BEFORE DELETE ON product BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER treatment_stays BEFORE UPDATE ON treatment BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER treatment_kept BEFORE DELETE ON treatment BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER bath_note_stays BEFORE UPDATE ON bath_note BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER bath_note_kept BEFORE DELETE ON bath_note BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER health_look_stays BEFORE UPDATE ON health_look BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER health_look_kept BEFORE DELETE ON health_look BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER health_sign_stays BEFORE UPDATE ON health_sign BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER health_sign_kept BEFORE DELETE ON health_sign BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER pond_hold_stays BEFORE UPDATE ON pond_hold BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER pond_hold_kept BEFORE DELETE ON pond_hold BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER hunter_seen_stays BEFORE UPDATE ON hunter_seen BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER hunter_seen_kept BEFORE DELETE ON hunter_seen BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
