-- State: how often this file was restored in place, so that a running program forgets what it had worked out before.
CREATE TABLE restored (n INTEGER NOT NULL) STRICT;
INSERT INTO restored VALUES (0);
