-- A car is a row of its own, so that the shop knows it when it comes again: by its name and its plate.
create table car (
  id uuid primary key default gen_random_uuid(),
  shop_id integer not null references shop (id),
  name text not null,
  plate text not null default '',
  model text not null default '',
  hybrid boolean not null default false,
  -- as it was taken in last
  label jsonb not null,
  volume_l double precision not null,
  -- what was charged here last, by the scale
  last_charge_g double precision,
  last_charged_at timestamptz,
  seen_at timestamptz not null,
  unique (shop_id, id)
);
create unique index car_known_by on car (shop_id, lower(name), lower(plate));

alter table job add column car_id uuid, add foreign key (shop_id, car_id) references car (shop_id, id);
create index job_car on job (shop_id, car_id);

insert into car (shop_id, name, model, hybrid, label, volume_l, seen_at)
select distinct on (e.shop_id, lower(payload -> 'car' ->> 'name')) e.shop_id, payload -> 'car' ->> 'name', payload -> 'car' ->> 'model',
       (payload -> 'car' ->> 'hybrid')::boolean, payload -> 'label', (payload ->> 'volumeL')::float8, e.happened_at
  from event e where e.seq = 0 and e.kind = 'job-opened'
 order by e.shop_id, lower(payload -> 'car' ->> 'name'), e.happened_at desc;
update job set car_id = c.id
  from event e join car c on c.shop_id = e.shop_id and lower(c.name) = lower(e.payload -> 'car' ->> 'name')
 where e.job_id = job.id and e.seq = 0;
