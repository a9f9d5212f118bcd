-- Who is called may have a telephone number beside a mail address, or instead of one; a message program of the farm's choice hears every alarm.
ALTER TABLE call_step ADD COLUMN phone TEXT NOT NULL DEFAULT '';
ALTER TABLE call_list ADD COLUMN hook TEXT NOT NULL DEFAULT '';
