-- Up Migration
-- The book: a line for every job and for every one of a former life, by which it is found and its car remembered.
create extension if not exists pg_trgm;

-- what a car is besides its label: identification number, owner's reference, evaporators, ports (core/shop/car-facts)
alter table car add column facts jsonb not null default '{}';

-- jobs of a former life, brought in from a file and taken out again as a whole
create table import (
  id uuid primary key,
  shop_id integer not null references shop (id),
  file_name text not null,
  lines integer not null,
  by_account uuid,
  by_name text not null,
  stored_at timestamptz not null default now(),
  withdrawn_at timestamptz,
  withdrawn_by text,
  foreign key (shop_id, by_account) references account (shop_id, id),
  unique (shop_id, id)
);

create table book_line (
  -- the job's id; a line of a former life has one of its own
  id uuid primary key,
  shop_id integer not null references shop (id),
  import_id uuid,
  car_id uuid,
  at timestamptz not null,
  ended_at timestamptz,
  -- what it was for its car (core/book/car-visit); null for training
  visit jsonb,
  flags text[] not null,
  -- what is said in it, and the same with what its car is known by
  own tsvector not null,
  words tsvector not null,
  -- by which rule it was made: made anew where an older one did
  form smallint not null,
  foreign key (shop_id, car_id) references car (shop_id, id),
  foreign key (shop_id, import_id) references import (shop_id, id)
);
create index book_line_words on book_line using gin (words);
create index book_line_flags on book_line using gin (flags);
create index book_line_at on book_line (shop_id, at desc);
create index book_line_car on book_line (shop_id, car_id, at);
create index book_line_import on book_line (shop_id, import_id) where import_id is not null;
-- names as they are spelled, to be found when misspelled
create index car_names on car using gin ((name || ' ' || plate) gin_trgm_ops);

-- recovered refrigerant is stock: it is handed in, used again, lost; a container is weighed against the book
alter table ledger_entry drop constraint ledger_entry_kind_check;
alter table ledger_entry add constraint ledger_entry_kind_check check
  (kind in ('bought', 'charged', 'purged', 'recovered', 'corrected', 'heel', 'handed-in', 'reused', 'lost', 'weighed'));
-- what a scale showed to be in it, g, where a line is the difference to the book
alter table ledger_entry add column shows_g double precision check (shows_g between 0 and 1000000);
-- what moves out of the recovery cylinder into another is two lines of one deed
alter table ledger_entry add column deed uuid;
create unique index ledger_entry_deed on ledger_entry (deed, container) where deed is not null;
-- a year is summed from the index alone
create index ledger_entry_sums on ledger_entry (shop_id, happened_at) include (refrigerant, kind, grams, equipment_id, job_id, why);
-- a car nobody took in yet, known by a file alone
alter table car add column import_id uuid, add foreign key (shop_id, import_id) references import (shop_id, id);
-- what is told of each person
create index event_people on event (shop_id, happened_at) where kind in ('signed', 'hold-skipped', 'hold-shortened', 'caution-passed');
-- when the judge last looked at it: between two judgements from scratch it sees that the last one stands
alter table judgement add column looked_at timestamptz not null default now();
