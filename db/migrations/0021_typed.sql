-- Up Migration
-- What hands typed is listed beside the trace: without an index of its own a day of readings was read through for it.
create index reading_typed on reading (job_id, seq desc) where instrument_id = 'hand';
