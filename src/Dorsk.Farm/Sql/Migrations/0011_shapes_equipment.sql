-- outline: corners in metres about the middle, "x y;x y"; depth_table: gauge level and volume, "m m3;m m3".
ALTER TABLE pond ADD COLUMN outline TEXT;
ALTER TABLE pond ADD COLUMN mean_depth_m REAL;
ALTER TABLE pond ADD COLUMN depth_table TEXT;
ALTER TABLE pond ADD COLUMN fish_share REAL;
ALTER TABLE pond ADD COLUMN paddle_m3_h REAL;

CREATE TABLE pond_archived (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line),
  archived INTEGER NOT NULL, reason TEXT NOT NULL
) STRICT;

-- A line without rows says that nothing is there any more; so with marks.
CREATE TABLE equipment_fitted (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line)
) STRICT;
CREATE TABLE equipment (
  line INTEGER NOT NULL REFERENCES equipment_fitted(line), n INTEGER NOT NULL,
  kind TEXT NOT NULL, name TEXT NOT NULL, power_kw REAL, flow_m3_h REAL, mesh_mm REAL, thickness_um REAL, uv INTEGER NOT NULL, laid TEXT, life_cycles INTEGER,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;

CREATE TABLE marks_set (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  pond INTEGER NOT NULL REFERENCES log(line)
) STRICT;
CREATE TABLE mark (
  line INTEGER NOT NULL REFERENCES marks_set(line), n INTEGER NOT NULL,
  kind TEXT NOT NULL, code TEXT NOT NULL, east_m REAL NOT NULL, north_m REAL NOT NULL,
  PRIMARY KEY (line, n)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER pond_archived_stays BEFORE UPDATE ON pond_archived BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER pond_archived_kept BEFORE DELETE ON pond_archived BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER equipment_fitted_stays BEFORE UPDATE ON equipment_fitted BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER equipment_fitted_kept BEFORE DELETE ON equipment_fitted BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER equipment_stays BEFORE UPDATE ON equipment BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER equipment_kept BEFORE DELETE ON equipment BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER marks_set_stays BEFORE UPDATE ON marks_set BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER marks_set_kept BEFORE DELETE ON marks_set BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER mark_stays BEFORE UPDATE ON mark BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER mark_kept BEFORE DELETE ON mark BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
