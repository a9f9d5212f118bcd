-- Devices with keys of their own, and what probes send. Values are clustered by pond and time; roll-ups follow from them and may be made anew.
CREATE TABLE device (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  device INTEGER NOT NULL REFERENCES log(line), name TEXT NOT NULL, use TEXT NOT NULL, pond INTEGER REFERENCES log(line), depth_m REAL, gone INTEGER NOT NULL
) STRICT;

CREATE TABLE probe_series (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  device INTEGER NOT NULL REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL
) STRICT;

CREATE TABLE probe_value (
  pond INTEGER NOT NULL, parameter TEXT NOT NULL, at INTEGER NOT NULL, device INTEGER NOT NULL, value REAL NOT NULL, line INTEGER NOT NULL REFERENCES log(line),
  PRIMARY KEY (pond, parameter, at, device)
) STRICT, WITHOUT ROWID;

-- span: hour or night (noon to noon of the farm), in ms; low_at is when the lowest value came.
CREATE TABLE probe_roll (
  pond INTEGER NOT NULL, parameter TEXT NOT NULL, span INTEGER NOT NULL, start INTEGER NOT NULL,
  n INTEGER NOT NULL, total REAL NOT NULL, low REAL NOT NULL, low_at INTEGER NOT NULL, high REAL NOT NULL,
  PRIMARY KEY (pond, parameter, span, start)
) STRICT, WITHOUT ROWID;

-- State, no fact: what checks a device's key.
CREATE TABLE device_key (
  device INTEGER PRIMARY KEY, hash TEXT NOT NULL UNIQUE
) STRICT;

CREATE TRIGGER device_stays BEFORE UPDATE ON device BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER device_kept BEFORE DELETE ON device BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER probe_series_stays BEFORE UPDATE ON probe_series BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER probe_series_kept BEFORE DELETE ON probe_series BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER probe_value_stays BEFORE UPDATE ON probe_value BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER probe_value_kept BEFORE DELETE ON probe_value BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
