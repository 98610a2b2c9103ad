-- What an outfit prints on.
alter table outfit add column paper text not null default 'A4' check (paper in ('A4', 'Letter'));
