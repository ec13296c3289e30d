-- What the lab remarked on a finding. The time is that of the last change; by it a change is taken back, unless there was a later one.
create table catalogue_remark (
    line_id bigint primary key,
    case_id bigint not null,
    whose varchar,
    tags varchar[] not null,
    called varchar,
    note varchar,
    who varchar not null,
    at timestamptz not null
);
create index catalogue_remark_case on catalogue_remark (case_id);

-- Where a file stood, beside where it lies in the delivery; not known of runs of before.
alter table recovered_file add column stood varchar;
