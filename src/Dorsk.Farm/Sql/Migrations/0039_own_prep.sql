-- The farm's own figures of a preparation, the levels in which it is filled, the pool for tiny fry.
ALTER TABLE preparation ADD COLUMN own_note TEXT NOT NULL DEFAULT '';
ALTER TABLE preparation ADD COLUMN own_lime_kg_ha REAL;
ALTER TABLE preparation ADD COLUMN own_manure_kg_ha REAL;
ALTER TABLE preparation ADD COLUMN own_meal_kg_ha REAL;
ALTER TABLE preparation ADD COLUMN own_n_kg_ha REAL;
ALTER TABLE preparation ADD COLUMN own_p2o5_kg_ha REAL;
ALTER TABLE preparation ADD COLUMN dose_every_days INTEGER;
ALTER TABLE preparation ADD COLUMN manure_days INTEGER;
ALTER TABLE preparation ADD COLUMN lime_days INTEGER;
ALTER TABLE preparation ADD COLUMN fill_stages INTEGER NOT NULL DEFAULT 1;
ALTER TABLE preparation ADD COLUMN start_pool INTEGER NOT NULL DEFAULT 0;
