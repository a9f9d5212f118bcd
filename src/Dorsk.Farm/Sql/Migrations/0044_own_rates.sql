-- The farm's own rates of acclimation.
ALTER TABLE acclimation ADD COLUMN own_note TEXT;
ALTER TABLE acclimation ADD COLUMN own_temp_c_h REAL;
ALTER TABLE acclimation ADD COLUMN own_ph_h REAL;
ALTER TABLE acclimation ADD COLUMN own_salinity_h REAL;
