-- Offcuts and patches of liners, slots of screens, the depth at which a net is landed, who built a pond.
ALTER TABLE equipment ADD COLUMN offcut_m2 REAL;
ALTER TABLE equipment ADD COLUMN slot TEXT NOT NULL DEFAULT '';
ALTER TABLE pond_work ADD COLUMN patch_m2 REAL;
ALTER TABLE pond ADD COLUMN landing_depth_m REAL;
CREATE TABLE pond_built_by (
  line INTEGER PRIMARY KEY REFERENCES log(line), pond INTEGER NOT NULL REFERENCES log(line), builder TEXT NOT NULL,
  built_on TEXT NOT NULL, price REAL, guarantee_to TEXT, terms TEXT NOT NULL
) STRICT;
CREATE TRIGGER pond_built_by_stays BEFORE UPDATE ON pond_built_by BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER pond_built_by_kept BEFORE DELETE ON pond_built_by BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE INDEX pond_built_by_pond ON pond_built_by(pond);
