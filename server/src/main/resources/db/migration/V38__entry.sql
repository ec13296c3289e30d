-- Who may not sign in any more, and since when. Their name stays on what they did.
alter table staff add column disabled_at timestamptz;

-- A link by which somebody chooses a new password, once. Kept as its SHA-256.
create table reset_link (
    hash text primary key,
    login text not null references staff (login),
    made_by text not null,
    made_at timestamptz not null,
    until timestamptz not null,
    used_at timestamptz
);
create index reset_link_login on reset_link (login);

-- Codes of the moment (RFC 6238). A step is counted in 30 s since 1970; none is taken twice.
create table code_device (
    login text primary key references staff (login),
    secret bytea not null,
    made_at timestamptz not null,
    confirmed_at timestamptz,
    last_step bigint not null
);

-- For who lost the device that shows codes. Each opens once; kept as its SHA-256.
create table spare_code (
    login text not null references staff (login),
    hash text not null,
    used_at timestamptz,
    primary key (login, hash)
);

-- Passkeys (WebAuthn level 2), as Spring Security keeps them.
create table user_entities (
    id varchar(1000) primary key,
    name varchar(100) not null unique,
    display_name varchar(200)
);
create table user_credentials (
    credential_id varchar(1000) primary key,
    user_entity_user_id varchar(1000) not null references user_entities (id),
    public_key bytea not null,
    signature_count bigint,
    uv_initialized boolean,
    backup_eligible boolean not null,
    authenticator_transports varchar(1000),
    public_key_credential_type varchar(100),
    backup_state boolean not null,
    attestation_object bytea,
    attestation_client_data_json bytea,
    created timestamp,
    last_used timestamp,
    label varchar(1000) not null
);
create index user_credentials_user on user_credentials (user_entity_user_id);

-- Sessions hold on every server of the lab; as Spring Session keeps them, times in milliseconds since 1970.
create table spring_session (
    primary_id char(36) primary key,
    session_id char(36) not null unique,
    creation_time bigint not null,
    last_access_time bigint not null,
    max_inactive_interval int not null,
    expiry_time bigint not null,
    principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name varchar(200) not null,
    attribute_bytes bytea not null,
    primary key (session_primary_id, attribute_name)
);

-- Who was let in and who was not, what became of staff and settings: chained like custody. The person that an entry is
-- about stands beside it, so that people are shown their own.
create table audit_entry (
    id bigint generated always as identity primary key,
    case_number text not null,
    number bigint not null unique,
    at timestamptz not null,
    who text not null,
    what text not null,
    detail text not null,
    previous text not null,
    hash text not null,
    about text
);
create index audit_entry_about on audit_entry (about, number);
create table audit_head (
    id int primary key check (id = 1),
    last_number bigint not null,
    last_hash text not null
);
create trigger audit_entry_only_grows before update or delete on audit_entry
    for each row execute function custody_only_grows();
