-- All long work stands on record in the same way.
update imaging_session set asked = upper(asked) where asked is not null;
update scan_session set asked = upper(asked) where asked is not null;
update recovery_run set asked = upper(asked) where asked is not null;

alter table delivery add column asked text;
alter table delivery add column started_at timestamptz;
alter table delivery add column ended_at timestamptz;
update delivery set started_at = sealed_at, ended_at = case when state = 'SEALING' then null else sealed_at end;
update delivery set state = case state when 'SEALING' then 'RUNNING' when 'SEALED' then 'DONE' else state end;
alter table delivery alter column started_at set not null;

-- An image is hashed again, against the hashes that were made when it was read.
create table image_recheck (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    imaging_id bigint not null references imaging_session,
    state text not null,
    asked text,
    trouble text,
    who text not null,
    started_at timestamptz not null,
    ended_at timestamptz
);
create index image_recheck_imaging on image_recheck (imaging_id, id);

-- What tells one coming of a medium from another, where it has no serial number.
alter table attachment add column presence text not null default '';
