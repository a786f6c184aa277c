-- The refrigerant ledger: what came in and what went where, container by container. Entries are only ever added.

create table ledger_entry (
  id uuid primary key,
  kind text not null check (kind in ('bought', 'charged', 'purged', 'recovered', 'corrected')),
  happened_at timestamptz not null,
  stored_at timestamptz not null default now(),
  by_account uuid references account (id),
  by_name text not null,
  refrigerant text not null,
  -- name as people call it, and its piece of equipment when it stands on the shelf
  container text not null,
  equipment_id uuid references equipment (id),
  -- into the container above zero, out of it below, g
  grams double precision not null check (grams > -1000000 and grams < 1000000),
  job_id uuid references job (id),
  event_id uuid,
  why text not null default '',
  unique (event_id, kind)
);
create index ledger_entry_of on ledger_entry (equipment_id, stored_at);
create index ledger_entry_at on ledger_entry (happened_at desc);
