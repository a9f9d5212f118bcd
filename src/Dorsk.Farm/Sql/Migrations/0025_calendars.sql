-- Secret addresses of calendars: state, not facts; only their hashes are kept.
CREATE TABLE calendar_key (person INTEGER PRIMARY KEY REFERENCES log(line), hash TEXT NOT NULL UNIQUE) STRICT;
