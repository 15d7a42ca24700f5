-- The newest looks are asked for at each first sight of the wall and with each plan; nobody sorts five thousand for that.
create index look_at on look (at_ms desc);
