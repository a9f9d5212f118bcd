-- Species of the farm's own, copied from the nearest one of the tables.
CREATE TABLE own_species (
  line INTEGER PRIMARY KEY REFERENCES log(line), name TEXT NOT NULL, species TEXT NOT NULL,
  scientific TEXT NOT NULL, source TEXT NOT NULL
) STRICT;
CREATE TRIGGER own_species_stays BEFORE UPDATE ON own_species BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER own_species_kept BEFORE DELETE ON own_species BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
