-- What stays as vapour in a can that was emptied leaves the shop with the can: a line of its own in the ledger.

alter table ledger_entry drop constraint ledger_entry_kind_check;
alter table ledger_entry add constraint ledger_entry_kind_check check (kind in ('bought', 'charged', 'purged', 'recovered', 'corrected', 'heel'));
