-- From which image a recovered file was taken; not kept of runs of before.
alter table recovered_file add column imaging_id bigint;
