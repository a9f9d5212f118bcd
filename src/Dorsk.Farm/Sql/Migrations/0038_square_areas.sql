-- Whether the farm says areas in m² or ft², not in hectares or acres.
ALTER TABLE farm ADD COLUMN areas_square INTEGER NOT NULL DEFAULT 0;
