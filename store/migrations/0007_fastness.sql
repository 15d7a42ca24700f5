-- Light and wash tests: what is to be looked at, and when. What was seen is in the looks at their lots.
create table fastness_test (
  id text primary key,
  lot_id text not null,
  body jsonb not null,
  seq bigint not null default 0,
  crc bigint not null default 0,
  shape integer not null default 1
);
create index fastness_test_lot on fastness_test (lot_id);
