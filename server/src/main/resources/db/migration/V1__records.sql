-- People of the lab. Passwords are bcrypt.
create table staff (
    id bigint generated always as identity primary key,
    login text not null unique,
    name text not null,
    role text not null check (role in ('COORDINATOR', 'ENGINEER', 'MANAGER')),
    password_hash text not null,
    created_at timestamptz not null
);

-- Failed tries by whatever is tried: a sign-in, a passcode.
create table throttle (
    subject text primary key,
    failures int not null,
    blocked_until timestamptz not null
);

create table lab_case (
    id bigint generated always as identity primary key,
    number text not null unique,
    customer_name text not null,
    contact_person text not null,
    phone text not null,
    email text not null,
    story text not null,
    stage text not null,
    owner text not null,
    path text,
    path_reason text,
    protocol text,
    created_at timestamptz not null,
    version int not null
);
create index lab_case_stage on lab_case (stage, created_at);

create table case_stage (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    stage text not null,
    at timestamptz not null,
    who text not null
);
create index case_stage_case on case_stage (case_id, id);

create sequence case_number_seq;

create table device (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    type text not null,
    make text not null,
    model text not null,
    serial text not null,
    capacity bigint not null
);
create index device_case on device (case_id);

-- Facts are never changed: a correction is a new row, the latest row of a code and source counts.
create table fact (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    code text not null,
    value text not null,
    source text not null check (source in ('told', 'observed')),
    who text not null,
    at timestamptz not null,
    withdrawn boolean not null default false
);
create index fact_case on fact (case_id, id);

create table wanted_line (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    words text not null,
    kinds text not null,
    pattern text not null,
    hoped_for int not null,
    min_bytes bigint not null,
    must_have boolean not null
);
create index wanted_line_case on wanted_line (case_id, id);

create table attachment (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    medium text not null,
    identity text not null,
    matched boolean not null,
    decision text,
    who text not null,
    at timestamptz not null,
    detached_at timestamptz
);
create index attachment_case on attachment (case_id, id);

create table imaging_session (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    attachment_id bigint not null references attachment,
    state text not null,
    asked text,
    profile text not null,
    image text not null,
    size bigint not null,
    read_bytes bigint not null,
    failed_bytes bigint not null,
    deferred_bytes bigint not null,
    failed_places int not null,
    pass text not null,
    head bigint not null,
    rate double precision not null,
    cells text not null,
    rates text not null,
    hashed_bytes bigint not null,
    sha256 text,
    trouble text,
    who text not null,
    started_at timestamptz not null,
    ended_at timestamptz,
    running_millis bigint not null
);
create index imaging_session_case on imaging_session (case_id, id);
-- Never a second session on the same medium.
create unique index imaging_session_alone on imaging_session (attachment_id) where state in ('WAITING', 'RUNNING');

create table scan_session (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    imaging_id bigint not null references imaging_session,
    state text not null,
    asked text,
    method text not null,
    folder text not null,
    phase text not null,
    done bigint not null,
    total bigint not null,
    counts text not null,
    report text,
    added bigint not null,
    shared bigint not null,
    trouble text,
    who text not null,
    started_at timestamptz not null,
    ended_at timestamptz
);
create index scan_session_case on scan_session (case_id, id);

create table catalogue_line (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    identity_key text not null,
    imaging_id bigint not null references imaging_session,
    path text,
    name text not null,
    kind text not null,
    size bigint not null,
    origins text not null,
    prognosis text not null,
    score int not null,
    proven_bytes bigint not null,
    reasons text not null,
    extents text not null,
    created timestamptz,
    modified timestamptz,
    accessed timestamptz,
    sha256 text,
    note text,
    sessions text not null,
    places text not null,
    wanted text not null,
    selected boolean not null
);
create unique index catalogue_line_identity on catalogue_line (case_id, identity_key);
create index catalogue_line_kind on catalogue_line (case_id, kind, id);
create index catalogue_line_selected on catalogue_line (case_id, selected, id);

create table recovery_run (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    state text not null,
    asked text,
    folder text not null,
    total int not null,
    done int not null,
    whole int not null,
    gapped int not null,
    not_written int not null,
    bytes bigint not null,
    trouble text,
    who text not null,
    started_at timestamptz not null,
    ended_at timestamptz
);
create index recovery_run_case on recovery_run (case_id, id);

create table recovered_file (
    id bigint generated always as identity primary key,
    run_id bigint not null references recovery_run,
    line_id bigint not null references catalogue_line,
    path text,
    name text not null,
    size bigint not null,
    outcome text not null,
    prognosis text not null,
    sha256 text,
    gaps text not null,
    why text,
    unique (run_id, line_id)
);

create table delivery (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    run_id bigint not null references recovery_run,
    state text not null,
    trouble text,
    bag text not null,
    files int not null,
    bytes bigint not null,
    manifest_sha256 text not null,
    fingerprint text not null,
    sealed_at timestamptz not null,
    who text not null,
    token_hash text unique,
    passcode_hash text,
    expires_at timestamptz,
    link_sent_at timestamptz,
    opened_at timestamptz,
    downloaded_at timestamptz,
    receipt_name text,
    receipt_at timestamptz,
    receipt_checked int not null default 0,
    receipt_equal int not null default 0
);
create index delivery_case on delivery (case_id, id);

create table custody_entry (
    id bigint generated always as identity primary key,
    case_number text not null,
    number bigint not null,
    at timestamptz not null,
    who text not null,
    what text not null,
    detail text not null,
    previous text not null,
    hash text not null,
    unique (case_number, number)
);

-- The end of each record, kept apart, so that an entry cut off at the end is missed.
create table custody_head (
    case_number text primary key,
    last_number bigint not null,
    last_hash text not null
);

-- The record only grows, also for whoever holds the application's password by mistake.
create function custody_only_grows() returns trigger language plpgsql as $$
begin
    raise exception 'the custody record only grows';
end $$;
create trigger custody_entry_only_grows before update or delete on custody_entry
    for each row execute function custody_only_grows();

-- db-scheduler's own table, as its documentation gives it for PostgreSQL.
create table scheduled_tasks (
    task_name text not null,
    task_instance text not null,
    task_data bytea,
    execution_time timestamptz not null,
    picked boolean not null,
    picked_by text,
    last_success timestamptz,
    last_failure timestamptz,
    consecutive_failures int,
    last_heartbeat timestamptz,
    version bigint not null,
    priority smallint,
    state text,
    primary key (task_name, task_instance)
);
create index scheduled_tasks_time on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);
