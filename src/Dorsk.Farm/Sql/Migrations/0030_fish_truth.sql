-- Of the dead of an event the share that was found, as the person said; and the indexes that questions by batch, pond and line want.
ALTER TABLE loss ADD COLUMN found_share REAL;
CREATE INDEX loss_batch ON loss(batch);
CREATE INDEX move_batch ON move(batch);
CREATE INDEX sample_batch ON sample(batch);
CREATE INDEX harvest_batch ON harvest(batch);
CREATE INDEX recount_batch ON recount(batch);
CREATE INDEX stocking_batch ON stocking(batch);
CREATE INDEX pond_work_pond ON pond_work(pond);
CREATE INDEX preparation_pond ON preparation(pond);
CREATE INDEX job_closed_key ON job_closed(key);
CREATE INDEX job_closed_pond ON job_closed(pond);
CREATE INDEX cycle_planned_from ON cycle_planned(from_pond) WHERE from_pond IS NOT NULL;
CREATE INDEX probe_value_line ON probe_value(line);
