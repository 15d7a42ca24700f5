-- What was done to kept baths; the baths themselves are rows of liquor.
create table bath_act (
  id text primary key,
  liquor_id text not null,
  body jsonb not null,
  seq bigint not null default 0,
  crc bigint not null default 0,
  shape integer not null default 1
);
create index bath_act_liquor on bath_act (liquor_id);
-- Which plans bring out this kept bath?
create index plan_liquors on plan using gin (jsonb_path_query_array(body, '$.steps[*].liquorId'));
