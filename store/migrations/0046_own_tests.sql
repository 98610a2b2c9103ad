-- An outfit adds quick tests of its own.
alter table knowledge_entry drop constraint knowledge_entry_kind_check;
alter table knowledge_entry add constraint knowledge_entry_kind_check
  check (kind in ('likelihood', 'condition', 'heat', 'programme', 'host', 'sign', 'work', 'test')) not valid;
alter table knowledge_entry validate constraint knowledge_entry_kind_check;
