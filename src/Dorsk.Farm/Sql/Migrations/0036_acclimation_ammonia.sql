-- Ammonia measured on the way from the bag into the pond.
ALTER TABLE acclimation_note ADD COLUMN tan REAL;
