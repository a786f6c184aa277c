-- Where a job's readings lie in time, so that a question about them looks at the months concerned and at no other.

alter table job add column readings_from timestamptz, add column readings_to timestamptz;
update job set readings_from = s.low, readings_to = s.high
  from (select job_id, min(measured_at) as low, max(measured_at) as high from reading group by job_id) s where s.job_id = job.id;

-- what keeps the bench from playing a car, in words; null while it plays
alter table job add column bench_trouble text;

-- a simulated bench is one device for all that start on one database: who holds its token, and when it was last seen
alter table device add column seen_at timestamptz;

-- one id can come on two jobs: each books its own line
alter table ledger_entry drop constraint ledger_entry_event_id_kind_key;
alter table ledger_entry add constraint ledger_entry_once unique (job_id, event_id, kind);

-- a chain whose clock was set back is found by the order of its numbers, never by its times
create index session_expires on session (expires_at);
