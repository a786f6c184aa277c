-- whose car it is: whoever took it in, until it is given to somebody
alter table job add column whose uuid;
update job set whose = (select by_account from event where job_id = job.id and seq = 0);
alter table job add foreign key (shop_id, whose) references account (shop_id, id);
-- what rings on it now, kept by the server's watch for every page
alter table job add column ringing jsonb not null default '[]';
create index job_ringing on job (shop_id) where ringing <> '[]';
-- what rang on each car, so that it is known afterwards who let it ring
create table alarm (
  job_id uuid not null,
  id text not null,
  shop_id integer not null,
  sentence text not null,
  -- job time, and the wall's
  rang_at timestamptz not null,
  stored_at timestamptz not null default now(),
  primary key (job_id, id),
  foreign key (shop_id, job_id) references job (shop_id, id)
);
-- minutes an alarm rings unanswered before it is the lead's too
alter table shop add column lead_after_min smallint not null default 5 check (lead_after_min between 1 and 120);
