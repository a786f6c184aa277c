-- What is said of each running pull's end, for every page, the board and the alarms alike. Unlogged: after a crash it is said anew from the readings.
create unlogged table forecast (
  job_id uuid primary key references job (id),
  -- which pull of the job
  pull integer not null,
  said_at timestamptz not null default now(),
  payload jsonb not null
);
