-- Up to which entry of a case's custody record somebody has looked at it.
create table case_looked (
    case_number text not null,
    login text not null,
    seen_number bigint not null,
    at timestamptz not null,
    primary key (case_number, login)
);

-- The Desk asks which devices were asked for their health of late.
create index health_reading_at on health_reading (attachment_id, at);
