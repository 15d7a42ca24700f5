-- Trials: what differs, and which piece got what. What came out of them is in the looks at their pieces.
create table trial (
  id text primary key,
  body jsonb not null,
  seq bigint not null default 0,
  crc bigint not null default 0,
  shape integer not null default 1
);
-- Of which trial is this lot a piece?
create index trial_pieces on trial using gin ((body -> 'pieces') jsonb_path_ops);
