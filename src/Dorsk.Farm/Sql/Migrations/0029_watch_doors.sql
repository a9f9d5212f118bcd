-- State, not facts. When the watch last looked; whether the file was made as a demo; who is signed in where; which lines came from a clock that ran ahead.
CREATE TABLE heartbeat (at INTEGER NOT NULL) STRICT;
INSERT INTO heartbeat VALUES (0);
CREATE TABLE made_as (demo INTEGER NOT NULL) STRICT;
INSERT INTO made_as VALUES (0);
CREATE TABLE clock_right (line INTEGER NOT NULL) STRICT;
INSERT INTO clock_right VALUES (0);
CREATE TABLE session (
  id TEXT PRIMARY KEY, person INTEGER NOT NULL REFERENCES log(line), stamp TEXT NOT NULL, began INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX session_person ON session(person);
-- Who tried wrong passwords is counted by name and address, no longer at the person.
ALTER TABLE credential DROP COLUMN failures;
ALTER TABLE credential DROP COLUMN shut_till;
-- Two steps had been changed after they had gone out: a file of those days lacks what came to them.
CREATE INDEX IF NOT EXISTS feeding_watched ON feeding(pond) WHERE score IS NOT NULL;
CREATE INDEX alarm_ended_alarm ON alarm_ended(alarm);
