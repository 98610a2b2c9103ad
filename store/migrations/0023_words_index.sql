-- concurrent
create index concurrently if not exists record_words on record using gin (outfit_id, words gin_trgm_ops) where latest;
