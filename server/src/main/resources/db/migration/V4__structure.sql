-- What a file's record says beside its name, and how its content is stored.
alter table catalogue_line add column encoding text;
alter table catalogue_line add column record_at bigint;
alter table catalogue_line add column attributes text;
alter table catalogue_line add column deleted timestamptz;
alter table catalogue_line add column trashed_from text;
