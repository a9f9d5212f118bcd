-- asked: lines of the plan by name, quantities in SI, as a query string.
CREATE TABLE stocking_plan (
  line INTEGER PRIMARY KEY REFERENCES log(line),
  plan INTEGER NOT NULL REFERENCES log(line),
  pond INTEGER REFERENCES log(line),
  name TEXT NOT NULL, asked TEXT NOT NULL, dropped INTEGER NOT NULL
) STRICT;

CREATE TRIGGER stocking_plan_stays BEFORE UPDATE ON stocking_plan BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER stocking_plan_kept BEFORE DELETE ON stocking_plan BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
