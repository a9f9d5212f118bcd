-- A farm begins before it says where it lies; fish that were there before are taken over.
ALTER TABLE farm ADD COLUMN place_guessed INTEGER NOT NULL DEFAULT 0;
ALTER TABLE farm ADD COLUMN altitude_guessed INTEGER NOT NULL DEFAULT 0;
ALTER TABLE stocking ADD COLUMN taken_over INTEGER NOT NULL DEFAULT 0;
