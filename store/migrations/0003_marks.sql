-- Each row carries the number of the act that wrote it, the checksum of what it says, and the version of its shape, so that the
-- database and the journal can each prove what they hold. 0 stands for a row that was written before this.
alter table home add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table lot add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table passport_entry add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table vessel add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table session add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table plan add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table run add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table run_event add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table sim_pot add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table stock add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table liquor add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table own_substance add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table method add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table method_shelf add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;
alter table weigh_tick add column seq bigint not null default 0, add column crc bigint not null default 0, add column shape integer not null default 1;

-- What came since a checkpoint is looked up by this; the other tables are small.
create index run_event_by_seq on run_event (seq);
