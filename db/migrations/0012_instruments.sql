-- An instrument of the shop: what it measures, its step and range, and what it last said. One of the simulated bench has no kind.
alter table instrument
  add column kind text check (kind in ('vacuum', 'low', 'high', 'scale', 'thermometer', 'barometer')),
  add column unit text,
  add column step double precision check (step > 0),
  add column range_low double precision,
  add column range_high double precision check (range_high > range_low),
  add column calibrated_on date,
  add column withdrawn_at timestamptz,
  add column last jsonb,
  add column battery double precision check (battery between 0 and 1),
  add column seen_at timestamptz;

-- what a reading is kept as where two gauges hang at one car; its own channel when null
alter table attachment add column stored_channel text, add column seat text not null default 'far' check (seat in ('far', 'pump'));
-- an instrument hangs at one car at a time
create unique index attachment_one_car on attachment (shop_id, instrument_id) where to_at is null;

-- what came in the wrong unit or out of the instrument's range: kept as it was sent, and not used
create table odd_reading (
  shop_id integer not null references shop (id),
  instrument_id text not null,
  device_seq bigint not null,
  sent_at timestamptz not null,
  channel text not null,
  value double precision not null,
  unit text not null,
  reason text not null,
  stored_at timestamptz not null default now(),
  primary key (shop_id, instrument_id, device_seq, sent_at, channel),
  foreign key (shop_id, instrument_id) references instrument (shop_id, id)
);
