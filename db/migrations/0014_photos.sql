-- A photograph of a job: made small in the browser, made anew on the server, so that nothing but the picture is kept.
create table photo (
  id uuid primary key,
  shop_id integer not null,
  job_id uuid not null,
  kind text not null,
  width integer not null,
  height integer not null,
  image bytea not null check (octet_length(image) <= 1048576),
  stored_at timestamptz not null default now(),
  foreign key (shop_id, job_id) references job (shop_id, id)
);
create index photo_job on photo (shop_id, job_id);
