-- What a file's record says beside its name, and how its content is stored.
alter table catalogue_line add column encoding text;
alter table catalogue_line add column record_at bigint;
alter table catalogue_line add column attributes text;
alter table catalogue_line add column deleted timestamptz;
alter table catalogue_line add column trashed_from text;
-- The volume that it lies in, as the session numbers it that speaks for the line.
alter table catalogue_line add column volume int;
alter table catalogue_line add column told_by bigint;
-- Where a scan looks, and whether it searches what is free.
alter table scan_session add column volume int;
alter table scan_session add column search boolean not null default true;
