-- The rig room: what is on the shelf, what was done to it, and rigs put together from it.

create table equipment (
  id uuid primary key,
  kind text not null check (kind in ('pump', 'hose', 'gauge', 'scale', 'container')),
  name text not null unique,
  spec jsonb not null,
  retired boolean not null default false,
  created_at timestamptz not null default now()
);

-- deeds are only ever added: a test that was wrong is followed by a better one
create table equipment_deed (
  id uuid primary key,
  equipment_id uuid not null references equipment (id),
  kind text not null check (kind in ('oil-changed', 'seals-renewed', 'calibrated', 'blank-off', 'hose-hold')),
  happened_at timestamptz not null,
  stored_at timestamptz not null default now(),
  by_account uuid references account (id),
  by_name text not null,
  payload jsonb not null
);
create index equipment_deed_of on equipment_deed (equipment_id, happened_at desc);

-- which equipment a rig is made of; null for one whose figures were typed
alter table rig add column parts jsonb;

-- a pump's hours are counted from the jobs it ran on: found by the pump named in the opening, then by its turns
create index event_opened_with_pump on event ((payload -> 'rig' -> 'equipment' ->> 'pump')) where seq = 0;
create index event_pump_turned on event (job_id, seq) where kind = 'part-set' and payload ->> 'part' = 'pump';
