-- the units each person thinks in; what is missing is shown in the usual one
alter table account add column units jsonb not null default '{}';

-- what people here think in, where they have not chosen themselves
alter table shop add column units jsonb not null default '{}';
