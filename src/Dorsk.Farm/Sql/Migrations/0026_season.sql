-- The season ahead: days on which fish are to leave a pond or to come into one, and copies of the season with other days.
CREATE TABLE harvest_planned (line INTEGER PRIMARY KEY REFERENCES log(line), plan INTEGER NOT NULL REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), batch INTEGER NOT NULL REFERENCES log(line), day TEXT NOT NULL, count INTEGER, to_pond INTEGER REFERENCES log(line), dropped INTEGER NOT NULL) STRICT;
CREATE TABLE cycle_planned (line INTEGER PRIMARY KEY REFERENCES log(line), plan INTEGER NOT NULL REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), species TEXT NOT NULL, stock_on TEXT NOT NULL, count INTEGER NOT NULL, mean_g REAL NOT NULL, target_g REAL NOT NULL, from_pond INTEGER REFERENCES log(line), harvest_on TEXT, dropped INTEGER NOT NULL) STRICT;
CREATE TABLE season_kept (line INTEGER PRIMARY KEY REFERENCES log(line), copy INTEGER NOT NULL REFERENCES log(line), name TEXT NOT NULL, moves TEXT NOT NULL, dropped INTEGER NOT NULL) STRICT;
CREATE INDEX harvest_planned_pond ON harvest_planned(pond);
CREATE INDEX cycle_planned_pond ON cycle_planned(pond);
CREATE TRIGGER harvest_planned_stays BEFORE UPDATE ON harvest_planned BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER harvest_planned_kept BEFORE DELETE ON harvest_planned BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER cycle_planned_stays BEFORE UPDATE ON cycle_planned BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER cycle_planned_kept BEFORE DELETE ON cycle_planned BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER season_kept_stays BEFORE UPDATE ON season_kept BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER season_kept_kept BEFORE DELETE ON season_kept BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
