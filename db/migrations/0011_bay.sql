-- whether the law of the place asks for a certificate number of whoever signs; and when the air of the place was read
alter table shop add column certificate_asked boolean not null default true, add column air_at timestamptz;

-- where else the shop works: whoever travels takes a car in at one of these
create table place (
  id uuid primary key default gen_random_uuid(),
  shop_id integer not null references shop (id),
  name text not null,
  altitude_m double precision,
  barometer_pa double precision not null check (barometer_pa between 40000 and 110000),
  ambient_c double precision not null check (ambient_c between -60 and 90),
  air_at timestamptz,
  unique (shop_id, name)
);

-- when the shop was last backed up, and after how many days the lead wants to be told
alter table shop add column backed_up_at timestamptz, add column backup_days integer not null default 7 check (backup_days between 1 and 365);

-- a link by which somebody sets a password: told once, used once, and only its print is kept
create table invitation (
  token_hash text primary key,
  shop_id integer not null references shop (id),
  account_id uuid not null,
  expires_at timestamptz not null,
  foreign key (shop_id, account_id) references account (shop_id, id)
);
