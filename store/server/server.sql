-- Beside the tables of `store/migrations`: what a folder keeps in files.

-- The number of the last act, and a name for this database, so that nobody takes the files of one for those of another.
create table act (
  only_one boolean primary key default true check (only_one),
  seq bigint not null,
  database_id text not null
);
insert into act (seq, database_id) values (0, gen_random_uuid()::text);

-- Whoever holds this row may change anything; an act of one run shares it and holds its run.
create table kitchen (
  only_one boolean primary key default true check (only_one)
);
insert into kitchen default values;

-- Readings as they came in: [[milliseconds since 1970, degrees C], ...]. Each Hyndle keeps them in files of its own too.
create table reading_block (
  seq bigint primary key,
  probe_id text not null,
  points jsonb not null
);

create table blob (
  hash text primary key,
  put_at_ms bigint not null,
  bytes bytea not null
);
