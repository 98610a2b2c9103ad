-- A part of a place: a terrace, a row, a water zone. Empty where the tree stands in none.
alter table tree add column section text not null default '' check (length(section) <= 60);
