-- concurrent
-- What is looked up from the other side of a key. People are never removed, so who did a thing needs none.
create index concurrently if not exists plan_by_label on plan (outfit_id, label_id);
create index concurrently if not exists record_by_plan on record (outfit_id, plan_id) where plan_id is not null;
create index concurrently if not exists verdict_by_look on verdict (outfit_id, look_id) where look_id is not null;
create index concurrently if not exists plan_change_by_look on plan_change (outfit_id, look_id);
create index concurrently if not exists others_applied_by_tree on others_applied (outfit_id, tree_id) where tree_id is not null;
create index concurrently if not exists sample_answer_by_sample on sample_answer (outfit_id, sample_id);
create index concurrently if not exists stock_move_by_record on stock_move (outfit_id, record_id) where record_id is not null;
