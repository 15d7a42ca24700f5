-- What a caller sent under an id of its own when it made something, so that the same thing sent again is known from another one.
create table sent (
  id text primary key,
  body jsonb not null,
  seq bigint not null default 0,
  crc bigint not null default 0,
  shape integer not null default 1
);
