CREATE TABLE note_kept (
  line INTEGER PRIMARY KEY REFERENCES log(line), text TEXT NOT NULL, stop_at INTEGER NOT NULL, word TEXT NOT NULL,
  why TEXT NOT NULL
) STRICT;
CREATE TABLE task_signed (
  line INTEGER PRIMARY KEY REFERENCES log(line), person INTEGER NOT NULL, task TEXT NOT NULL, step TEXT NOT NULL, teacher INTEGER
) STRICT;
CREATE TRIGGER task_signed_stays BEFORE UPDATE ON task_signed BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER task_signed_kept BEFORE DELETE ON task_signed BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
CREATE INDEX log_notes ON log(line) WHERE substr(as_typed, 1, 6) = 'note: ';
CREATE TRIGGER note_kept_stays BEFORE UPDATE ON note_kept BEGIN SELECT RAISE(ABORT, 'facts are never changed: correct with a new line'); END;
CREATE TRIGGER note_kept_kept BEFORE DELETE ON note_kept BEGIN SELECT RAISE(ABORT, 'facts are never deleted: void with a new line'); END;
