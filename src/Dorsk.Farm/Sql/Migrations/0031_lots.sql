-- A delivery keeps its number when it is corrected, so that the batch that came with it stays tied to it; what was bought, and how it came.
ALTER TABLE fish_received ADD COLUMN delivery INTEGER;
ALTER TABLE fish_received ADD COLUMN stage TEXT NOT NULL DEFAULT 'Unsaid';
ALTER TABLE fish_received ADD COLUMN stage_day INTEGER;
ALTER TABLE fish_received ADD COLUMN length_m REAL;
ALTER TABLE fish_received ADD COLUMN bags INTEGER;
ALTER TABLE fish_received ADD COLUMN slack_bags INTEGER;
ALTER TABLE fish_received ADD COLUMN foul_water INTEGER NOT NULL DEFAULT 0;
ALTER TABLE fish_received ADD COLUMN basin_minutes INTEGER;
ALTER TABLE fish_received ADD COLUMN basin_air INTEGER NOT NULL DEFAULT 0;
DROP TRIGGER fish_received_stays;
UPDATE fish_received SET delivery = line;
CREATE TRIGGER fish_received_stays BEFORE UPDATE ON fish_received BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE INDEX fish_received_pond ON fish_received(pond);
ALTER TABLE stocking ADD COLUMN delivery INTEGER;
CREATE INDEX stocking_delivery ON stocking(delivery) WHERE delivery IS NOT NULL;
