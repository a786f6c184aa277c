-- a procedure's stages in order; null where it is one pull, one hold, the charge and its proof
alter table procedure add column stages jsonb;
