-- what a trainee may do: each a switch of the lead's; what is missing is as safe as the application thinks
alter table shop add column trainee_rights jsonb not null default '{}';
-- what was done with accounts, rights, keys and backups
create table shop_log (
  id bigint generated always as identity primary key,
  shop_id integer not null references shop (id),
  at timestamptz not null default now(),
  -- the account's name as it was then; empty for the start command and the command line
  by_name text not null,
  what text not null,
  about text not null
);
create index shop_log_of on shop_log (shop_id, id desc);
