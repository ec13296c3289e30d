-- Other labs whose key somebody compared.
create table known_lab (
    fingerprint text primary key,
    lab text not null,
    compared text not null,
    who text not null,
    at timestamptz not null
);

-- The same case in another lab, and the end of that lab's record as it came last.
create table case_home (
    fingerprint text not null,
    number text not null,
    case_id bigint not null references lab_case,
    lab text not null,
    last_number bigint not null,
    last_hash text not null,
    came_at timestamptz not null,
    primary key (fingerprint, number)
);
create index case_home_case on case_home (case_id);

-- What another lab's marks are called here.
create table travel_mark (
    case_id bigint not null references lab_case,
    kind text not null,
    mark text not null,
    here bigint not null,
    primary key (case_id, kind, mark)
);
create unique index travel_mark_here on travel_mark (kind, here);

-- Records of other labs, as they came; they only grow, like our own.
create table custody_elsewhere (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    fingerprint text not null,
    case_number text not null,
    number bigint not null,
    at timestamptz not null,
    who text not null,
    what text not null,
    detail text not null,
    previous text not null,
    hash text not null,
    unique (fingerprint, case_number, number)
);
create trigger custody_elsewhere_only_grows before update or delete on custody_elsewhere
    for each row execute function custody_only_grows();

-- A case that is packed for another lab.
create table packing (
    id bigint generated always as identity primary key,
    case_id bigint not null references lab_case,
    state text not null,
    asked text,
    trouble text,
    who text not null,
    started_at timestamptz not null,
    ended_at timestamptz,
    for_lab text not null,
    why text not null,
    file text not null,
    bytes bigint not null,
    sha256 text,
    taken_at timestamptz
);
create index packing_case on packing (case_id, id);

-- A file that another lab sent, before and after it was brought in.
create table arrival (
    id bigint generated always as identity primary key,
    name text not null,
    state text not null,
    says text not null,
    case_number text,
    who text not null,
    at timestamptz not null,
    decided_by text,
    decided_at timestamptz
);

-- Sessions that another lab did: what they read is on record, their bytes are there.
alter table imaging_session add column elsewhere text;
alter table scan_session add column elsewhere text;
