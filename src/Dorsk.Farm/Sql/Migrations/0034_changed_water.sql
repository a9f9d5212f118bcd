-- How much water was changed, let in or topped up.
ALTER TABLE pond_work ADD COLUMN volume_m3 REAL;
