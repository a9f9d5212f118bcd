-- Alarms as their lines tell them, and who is called.
CREATE TABLE alarm_raised (line INTEGER PRIMARY KEY REFERENCES log(line), alarm INTEGER NOT NULL REFERENCES log(line), pond INTEGER REFERENCES log(line), cause TEXT NOT NULL, level TEXT NOT NULL, text TEXT NOT NULL) STRICT;
CREATE TABLE alarm_answered (line INTEGER PRIMARY KEY REFERENCES log(line), alarm INTEGER NOT NULL REFERENCES log(line), pond INTEGER REFERENCES log(line)) STRICT;
CREATE TABLE alarm_ended (line INTEGER PRIMARY KEY REFERENCES log(line), alarm INTEGER NOT NULL REFERENCES log(line), pond INTEGER REFERENCES log(line)) STRICT;
CREATE TABLE alarm_told (line INTEGER PRIMARY KEY REFERENCES log(line), alarm INTEGER NOT NULL REFERENCES log(line), pond INTEGER REFERENCES log(line), step INTEGER NOT NULL, level TEXT NOT NULL, address TEXT NOT NULL) STRICT;
CREATE TABLE call_list (line INTEGER PRIMARY KEY REFERENCES log(line), after_minutes INTEGER NOT NULL, quiet_from TEXT, quiet_to TEXT) STRICT;
CREATE TABLE call_step (line INTEGER NOT NULL REFERENCES log(line), n INTEGER NOT NULL, name TEXT NOT NULL, address TEXT NOT NULL, PRIMARY KEY (line, n)) STRICT, WITHOUT ROWID;

CREATE TRIGGER alarm_raised_stays BEFORE UPDATE ON alarm_raised BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER alarm_raised_kept BEFORE DELETE ON alarm_raised BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER alarm_answered_stays BEFORE UPDATE ON alarm_answered BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER alarm_answered_kept BEFORE DELETE ON alarm_answered BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER alarm_ended_stays BEFORE UPDATE ON alarm_ended BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER alarm_ended_kept BEFORE DELETE ON alarm_ended BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER alarm_told_stays BEFORE UPDATE ON alarm_told BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER alarm_told_kept BEFORE DELETE ON alarm_told BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER call_list_stays BEFORE UPDATE ON call_list BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER call_list_kept BEFORE DELETE ON call_list BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE TRIGGER call_step_stays BEFORE UPDATE ON call_step BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER call_step_kept BEFORE DELETE ON call_step BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
