-- Up Migration
create table shop (
  id integer primary key check (id = 1),
  name text not null,
  altitude_m double precision,
  barometer_pa double precision not null check (barometer_pa between 40000 and 110000),
  ambient_c double precision not null check (ambient_c between -60 and 90),
  time_zone text not null,
  demo boolean not null default false,
  cookie_secret text not null,
  signing_key text not null,
  public_key text not null
);

create table account (
  id uuid primary key default gen_random_uuid(),
  sign_in text not null unique,
  name text not null,
  role text not null check (role in ('lead', 'technician', 'trainee')),
  certificate text not null default '',
  password_hash text not null,
  disabled_at timestamptz
);

create table session (
  id uuid primary key default gen_random_uuid(),
  account_id uuid not null references account (id),
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index session_account on session (account_id);

-- kept by rate-limiter-flexible
create table sign_in_attempt (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

create table procedure (
  id uuid primary key default gen_random_uuid(),
  name text not null unique,
  target_micron double precision not null check (target_micron between 50 and 20000),
  pull_minutes double precision not null check (pull_minutes between 1 and 1440),
  hold_minutes double precision not null check (hold_minutes between 5 and 1440),
  proves text not null
);

create table rig (
  id uuid primary key default gen_random_uuid(),
  name text not null unique,
  bore_mm double precision not null check (bore_mm between 1 and 30),
  length_m double precision not null check (length_m between 0.1 and 10),
  hoses integer not null check (hoses in (1, 2)),
  pump_cfm double precision not null check (pump_cfm between 0.2 and 30),
  ultimate_micron double precision not null check (ultimate_micron between 1 and 5000),
  gauge text not null check (gauge in ('electronic', 'needle')),
  scale_step_g double precision not null check (scale_step_g between 0.1 and 100)
);

create table device (
  id uuid primary key default gen_random_uuid(),
  name text not null unique,
  kind text not null check (kind in ('instruments', 'bench')),
  token_hash text not null unique,
  created_at timestamptz not null default now()
);

create table instrument (
  id text primary key,
  device_id uuid references device (id),
  name text not null
);
create index instrument_device on instrument (device_id);
insert into instrument (id, name) values ('hand', 'typed by hand');

-- summary and latest repeat what events and readings say, written in the same transaction, so that a board of 200 cars needs no fold
create table job (
  id uuid primary key,
  created_at timestamptz not null default now(),
  simulated boolean not null,
  barometer_pa double precision not null,
  summary jsonb not null,
  latest jsonb not null default '{}',
  event_count integer not null default 0,
  head text not null,
  reading_seq bigint not null default 0,
  signed_at timestamptz,
  bench jsonb
);
create index job_board on job (created_at desc);

create table job_clock (
  job_id uuid not null references job (id),
  wall_from timestamptz not null,
  job_from timestamptz not null,
  factor double precision not null check (factor between 1 and 600),
  primary key (job_id, wall_from)
);

create table event (
  job_id uuid not null references job (id),
  seq integer not null,
  id uuid not null,
  kind text not null,
  happened_at timestamptz not null,
  stored_at timestamptz not null,
  by_account uuid references account (id),
  by_name text not null,
  payload jsonb not null,
  previous text not null,
  hash text not null,
  primary key (job_id, seq),
  unique (job_id, id)
);

create table attachment (
  instrument_id text not null references instrument (id),
  job_id uuid not null references job (id),
  from_at timestamptz not null,
  to_at timestamptz,
  primary key (instrument_id, job_id, from_at)
);
create index attachment_job on attachment (job_id);

-- time order within a job is (measured_at, seq); seq follows commits, so a stream that resumes after it misses nothing
create table reading (
  job_id uuid not null,
  seq bigint not null,
  measured_at timestamptz not null,
  channel text not null,
  value double precision not null check (value > -1e9 and value < 1e9),
  sent_value double precision not null check (sent_value > -1e9 and sent_value < 1e9),
  sent_unit text not null,
  instrument_id text not null,
  device_seq bigint not null,
  by_account uuid,
  note text,
  stored_at timestamptz not null default now(),
  -- one index for two duties: the same reading once, and a channel's history in order of time
  unique (job_id, channel, measured_at, instrument_id, device_seq)
) partition by range (measured_at);
create index reading_by_seq on reading (job_id, seq);
create table reading_other partition of reading default;
