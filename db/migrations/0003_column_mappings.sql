-- Which column of a foreign logger's file is what, kept by name for the next file of that logger.

create table column_mapping (
  name text primary key,
  mapping jsonb not null,
  by_account uuid references account (id),
  updated_at timestamptz not null default now()
);
