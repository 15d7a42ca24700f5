-- One home per data folder: diary, heat sources, scale.
create table home (
  id text primary key check (id = 'home'),
  body jsonb not null
);

create table lot (
  id text primary key,
  name text not null check (name <> ''),
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  created_at_ms bigint not null,
  body jsonb not null
);
create index lot_by_name on lot (lower(name));

-- Hand-made passport entries; what runs did is folded from their events.
create table passport_entry (
  id text primary key,
  lot_id text not null,
  at_ms bigint,
  body jsonb not null
);
create index passport_entry_by_lot on passport_entry (lot_id);

create table vessel (
  id text primary key,
  place integer not null,
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  body jsonb not null
);

create table session (
  id text primary key,
  name text not null,
  created_at_ms bigint not null
);

create table plan (
  session_id text not null,
  version integer not null check (version > 0),
  created_at_ms bigint not null,
  lot_ids text[] not null,
  body jsonb not null,
  primary key (session_id, version)
);

create table run (
  id text primary key,
  session_id text not null,
  created_at_ms bigint not null
);
create index run_by_session on run (session_id);

create table run_event (
  id text primary key,
  run_id text not null,
  at_ms bigint not null,
  recorded_at_ms bigint not null,
  body jsonb not null
);
create index run_event_by_run on run_event (run_id, at_ms);

-- Probe readings in blocks of a minute, each with its summary, so that long stretches are drawn from the summaries.
create table probe_minute (
  probe_id text not null,
  minute_ms bigint not null,
  readings integer not null check (readings > 0),
  min_c real not null,
  mean_c real not null,
  max_c real not null,
  -- [[milliseconds into the minute, degrees C], ...] in time order
  points jsonb not null,
  primary key (probe_id, minute_ms)
);

create table sim_pot (
  vessel_id text primary key,
  body jsonb not null
);
