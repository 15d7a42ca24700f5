-- What stands on the shelf, each a document of its own; retired things stay, since records may name them.
create table stock (
  id text primary key,
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  body jsonb not null
);

create table liquor (
  id text primary key,
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  body jsonb not null
);

create table own_substance (
  id text primary key,
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  body jsonb not null
);

-- Every version of every method of one's own: a version once written stays as it is.
create table method (
  id text not null,
  version integer not null check (version > 0),
  body jsonb not null,
  primary key (id, version)
);
create table method_shelf (
  id text primary key,
  revision integer not null check (revision > 0),
  retired boolean not null default false,
  body jsonb not null
);

-- Ticks of a weigh-out list: append-only, the newest of a key stands.
create table weigh_tick (
  id text primary key,
  session_id text not null,
  body jsonb not null
);
create index weigh_tick_by_session on weigh_tick (session_id);

-- Additions of all runs are summed up for the shelf.
create index run_event_by_type on run_event ((body ->> 'type'));
