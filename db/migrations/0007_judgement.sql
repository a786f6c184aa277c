-- What the judge says of each running hold, for every page and the board alike. Unlogged: after a crash it is judged anew from the readings.
create unlogged table judgement (
  job_id uuid primary key references job (id),
  -- which hold of the job, and the last reading that was judged
  hold integer not null,
  reading_seq bigint not null,
  judged_at timestamptz not null default now(),
  verdict text not null,
  found text,
  payload jsonb not null
);
