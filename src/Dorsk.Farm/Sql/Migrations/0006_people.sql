-- A person keeps the number of the line that first named them; empty means this is that line.
ALTER TABLE person ADD COLUMN person INTEGER REFERENCES log(line);

-- State, not facts: it changes, and nothing of it is history. No password is kept, only what checks one.
CREATE TABLE credential (
  person    INTEGER PRIMARY KEY REFERENCES log(line),
  hash      TEXT,
  stamp     TEXT NOT NULL,
  failures  INTEGER NOT NULL,
  shut_till INTEGER
) STRICT;
