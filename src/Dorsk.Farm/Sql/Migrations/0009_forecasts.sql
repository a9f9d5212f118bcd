CREATE TABLE forecast_issued (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  night TEXT NOT NULL, method TEXT NOT NULL, low REAL NOT NULL, low_80 REAL NOT NULL, high_80 REAL NOT NULL,
  low_at INTEGER NOT NULL, chance_under_act REAL NOT NULL, start_at INTEGER NOT NULL
) STRICT;
CREATE INDEX forecast_by_pond ON forecast_issued(pond, night);

CREATE TRIGGER forecast_issued_stays BEFORE UPDATE ON forecast_issued BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER forecast_issued_kept BEFORE DELETE ON forecast_issued BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
