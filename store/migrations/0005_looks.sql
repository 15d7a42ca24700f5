-- What was seen: pictures by their names, colours, words. A look may show several lots.
create table look (
  id text primary key,
  run_id text,
  at_ms bigint not null,
  body jsonb not null,
  seq bigint not null default 0,
  crc bigint not null default 0,
  shape integer not null default 1
);
create index look_run on look (run_id);
create index look_lots on look using gin ((body -> 'lotIds'));
