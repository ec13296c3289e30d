-- A session may copy files instead of reading all of a device; then there is a reason for it.
alter table imaging_session
    add column files_reason text,
    add column files_count bigint,
    add column files_in_all bigint,
    add column files_checked bigint,
    add column files_left_out text not null default '[]',
    add column unsound text;

-- A session on such a copy lists files, and nothing else.
alter table scan_session add column of_files boolean not null default false;
