-- Why something was hung in spite of a stop, or by another dose than the newest facts of its tree give: asked before it is in the
-- tree, and told in its record.
alter table hanging add column because text check (length(because) between 4 and 1000);
