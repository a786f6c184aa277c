-- Up Migration
-- The day: what was promised, who is there when, what is to come, what was put somewhere by hand, and the plan itself.
alter table job add column promised_at timestamptz;
-- when somebody works: days of the week (0 Sunday) and times of the shop's clock; null is whenever
alter table account add column works jsonb;
-- the digest of the secret in somebody's calendar address; null while there is none
alter table account add column calendar_hash text unique;

create table day_off (
  id uuid primary key,
  shop_id integer not null references shop (id),
  -- a person, or a rig or scale by its name
  account_id uuid,
  thing text,
  from_at timestamptz not null,
  -- null until it is taken back
  to_at timestamptz,
  by_name text not null,
  check ((account_id is null) <> (thing is null)),
  check (to_at is null or to_at > from_at),
  foreign key (shop_id, account_id) references account (shop_id, id)
);
create index day_off_of on day_off (shop_id, to_at);

-- a car that is still to come, until it is taken in or does not come
create table expected_car (
  id uuid primary key,
  shop_id integer not null references shop (id),
  name text not null,
  model text not null default '',
  arrives_at timestamptz not null,
  promised_at timestamptz,
  -- minutes of repair that are thought of before it is rigged up
  fix_min double precision not null check (fix_min between 0 and 2880),
  job_id uuid,
  gone_at timestamptz,
  by_name text not null,
  foreign key (shop_id, job_id) references job (shop_id, id)
);
create index expected_car_of on expected_car (shop_id, arrives_at) where job_id is null and gone_at is null;

-- a piece of the plan that was put where it stands by hand, until it is let go
create table day_pin (
  shop_id integer not null references shop (id),
  car uuid not null,
  step text not null,
  account_id uuid,
  rig text,
  from_at timestamptz not null,
  by_name text not null,
  set_at timestamptz not null default now(),
  primary key (shop_id, car, step),
  foreign key (shop_id, account_id) references account (shop_id, id)
);

-- the plan as it stands, kept by the server's watch for every page
create table day_plan (
  shop_id integer primary key references shop (id),
  made_at timestamptz not null,
  payload jsonb not null,
  told jsonb
);
create index job_promised on job (shop_id, promised_at) where promised_at is not null;
