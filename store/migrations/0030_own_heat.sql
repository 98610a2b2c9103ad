-- Sums of heat of an outfit's own stand beside those that ship.
alter table knowledge_entry drop constraint knowledge_entry_kind_check;
alter table knowledge_entry add constraint knowledge_entry_kind_check
  check (kind in ('likelihood', 'condition', 'heat')) not valid;
alter table knowledge_entry validate constraint knowledge_entry_kind_check;
