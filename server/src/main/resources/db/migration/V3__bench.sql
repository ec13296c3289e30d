-- What a session may do, what was asked of it, what became of it.
alter table imaging_session add column limits text;
alter table imaging_session add column rate_limit bigint not null default 0;
alter table imaging_session add column rest_asked boolean not null default false;
alter table imaging_session add column awake_until timestamptz;
alter table imaging_session add column resting text;
alter table imaging_session add column resting_since timestamptz;
alter table imaging_session add column reached text;
alter table imaging_session add column faults bigint not null default 0;
alter table imaging_session add column vanished_at timestamptz;
alter table imaging_session add column ended_early boolean not null default false;
alter table imaging_session add column pass_work text not null default '[]';
-- What the last recheck of the image against its hashes said.
alter table imaging_session add column recheck text;
create index imaging_session_vanished on imaging_session (id) where vanished_at is not null;

-- What happened in a session, in order; the first few thousand faults among it.
create table imaging_event (
    id bigint generated always as identity primary key,
    session_id bigint not null references imaging_session,
    at timestamptz not null,
    kind text not null,
    off bigint,
    len bigint,
    pass text,
    words text not null
);
create index imaging_event_session on imaging_event (session_id, id);

-- Why a device may be read that the kernel, or its server, would let us write to.
alter table attachment add column write_block text;

create table health_reading (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    attachment_id bigint not null references attachment,
    session_id bigint references imaging_session,
    at timestamptz not null,
    reading text not null,
    grade text not null,
    who text not null
);
create index health_reading_attachment on health_reading (attachment_id, id);
