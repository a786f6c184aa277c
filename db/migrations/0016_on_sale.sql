-- sizes of cans and cylinders this shop can buy, with what they cost here
alter table shop add column on_sale jsonb not null default '[]';
