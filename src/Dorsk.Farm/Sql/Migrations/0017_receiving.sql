-- Deliveries looked over on arrival, and acclimations with what happens in them. Waters: n 0 is the bag, then the places of the pond.
CREATE TABLE fish_received (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  species TEXT NOT NULL, seller TEXT NOT NULL, lot TEXT NOT NULL, source TEXT NOT NULL, count INTEGER NOT NULL, mean_g REAL NOT NULL, dead INTEGER NOT NULL,
  lively INTEGER NOT NULL, even INTEGER NOT NULL, sound INTEGER NOT NULL, papers INTEGER NOT NULL, price REAL, verdict TEXT NOT NULL, note TEXT NOT NULL
) STRICT;

CREATE TABLE acclimation (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  species TEXT NOT NULL, mean_g REAL NOT NULL, fish INTEGER NOT NULL, origin TEXT NOT NULL, hours_in_bag REAL NOT NULL, school TEXT NOT NULL
) STRICT;

CREATE TABLE acclimation_water (
  line INTEGER NOT NULL REFERENCES acclimation(line),
  n INTEGER NOT NULL, temp_c REAL NOT NULL, ph REAL NOT NULL, salinity REAL NOT NULL, tan REAL, oxygen REAL, alkalinity REAL,
  PRIMARY KEY (line, n)
) STRICT;

CREATE TABLE acclimation_note (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  run INTEGER NOT NULL REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  event TEXT NOT NULL, step TEXT NOT NULL, temp_c REAL, ph REAL, salinity REAL, oxygen REAL, count INTEGER, text TEXT NOT NULL
) STRICT;

CREATE INDEX acclimation_note_run ON acclimation_note(run);

CREATE TRIGGER fish_received_stays BEFORE UPDATE ON fish_received BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER fish_received_kept BEFORE DELETE ON fish_received BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER acclimation_stays BEFORE UPDATE ON acclimation BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER acclimation_kept BEFORE DELETE ON acclimation BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER acclimation_water_stays BEFORE UPDATE ON acclimation_water BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER acclimation_water_kept BEFORE DELETE ON acclimation_water BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER acclimation_note_stays BEFORE UPDATE ON acclimation_note BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER acclimation_note_kept BEFORE DELETE ON acclimation_note BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
