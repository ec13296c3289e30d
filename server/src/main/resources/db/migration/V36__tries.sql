-- Tries are counted before they are judged, and what is a day old is forgotten.
delete from throttle;
alter table throttle add column last_at timestamptz not null;
create index throttle_last_at on throttle (last_at);
